// Place and turn of a node, and its keys at the playhead.
import { button, h } from '../common/dom.js';
import { KeyChoice } from '../shot/key-choice.js';
import { isAt, isWhole, keyFrames } from '../shot/keys.js';
import { isOff, pathName, POSE } from '../shot/parts.js';
import { TANGENTS } from '../shot/tangents.js';
import { channelField, labelled, row } from './fields.js';
import { NumberField } from './number-field.js';

export const keysPanel = {
  signature: () => '',

  build(store, desk, node) {
    const keys = new KeysHere(store, desk, node.id);
    const parts = [posePart(keys), framePart(keys), tangentPart(keys), buttonsPart(keys)];
    const says = h('small', { class: 'note' });
    return {
      title: `Keys · ${node.name}`,
      aside: says,
      elements: [h('div', { class: 'rows' }, ...parts.flatMap((part) => part.rows))],
      refresh() {
        parts.forEach((part) => part.refresh());
        says.textContent = keys.says();
      },
    };
  },
};

/** The keys of a node's pose at the playhead, and those in hand. */
class KeysHere {
  constructor(store, desk, id) {
    this.store = store;
    this.desk = desk;
    this.id = id;
  }

  get all() {
    return keyFrames(this.store.byId.get(this.id), POSE);
  }

  get here() {
    return this.all.find((k) => isAt([k.frame, 0, ''], this.desk.frame)) ?? null;
  }

  /** The chosen keys of this node, or those at the playhead. */
  get inHand() {
    const chosen = this.desk.chosen.only((of, channel) => of === this.id && POSE.includes(channel));
    return chosen.isEmpty ? KeyChoice.of(this.id, POSE, [this.desk.frame]).existing(this.store) : chosen;
  }

  /** Whether keying would change nothing that is seen. */
  get isWithoutEffect() {
    return isOff(this.store.byId.get(this.id), 'keys') && this.all.length > 0;
  }

  says() {
    if (this.isWithoutEffect) return `switched off: stands as at ${this.desk.first()}`;
    if (this.desk.loose) return 'loose: not keyed yet';
    const key = this.here;
    if (!key) return this.all.length ? 'between keys' : 'still';
    return isWhole(this.store.byId.get(this.id), key.channels, POSE)
      ? 'whole-pose key'
      : `key of ${key.channels.join(', ')}`;
  }
}

function posePart({ store, desk, id }) {
  const node = store.byId.get(id);
  const fields = POSE.map((path) => channelField(store, desk, id, path));
  const named = fields.map((f, i) => labelled(pathName(node, POSE[i]), f.element));
  return {
    rows: [row('Place', ...named.slice(0, 3)), row('Turn', ...named.slice(3))],
    refresh: () => fields.forEach((f) => f.refresh()),
  };
}

/** The frame of the key at the playhead; the playhead goes along. */
function framePart(keys) {
  const { store, desk, id } = keys;
  const move = async (value, done) => {
    const frame = keys.here?.frame;
    const by = Math.round(value) - frame;
    if (frame === undefined || by === 0) return true;
    const edits = [{ edit: 'move-keys', id, frames: [frame], channels: POSE, by, landing: desk.landing }];
    if (!done) {
      store.show(edits);
      return true;
    }
    const kept = await store.edit(edits);
    if (kept) desk.goTo(frame + by);
    return kept;
  };
  const field = new NumberField({
    label: 'Frame of this key',
    quantity: 'frames',
    unit: 'f',
    digits: 0,
    step: 1,
    rate: () => store.header.rate,
    get: () => keys.here?.frame ?? null,
    set: move,
  });
  return {
    rows: [h('div', { class: 'row' }, h('span', { text: 'Key at' }), field.element)],
    refresh() {
      field.refresh();
      field.input.disabled = !keys.here;
    },
  };
}

function tangentPart(keys) {
  const set = (tangent) => keys.store.edit([{ edit: 'set-tangents', picks: keys.inHand.picks(), tangent }]);
  const buttons = TANGENTS.map(([kind, text, title]) => button(text, () => set(kind), { title, 'data-tangent': kind }));
  const segments = h('span', { class: 'segments', role: 'group', 'aria-label': 'Tangent of this key' }, ...buttons);
  return {
    rows: [row('Tangent', segments)],
    refresh() {
      const { here, inHand } = keys;
      const only = here?.tangents.size === 1 ? [...here.tangents][0] : null;
      for (const b of buttons) {
        b.disabled = inHand.isEmpty;
        b.setAttribute('aria-pressed', String(b.dataset.tangent === only));
      }
    },
  };
}

function buttonsPart(keys) {
  const { desk } = keys;
  const keyIt = button('Key this pose', () => desk.keyPose(), { class: 'main', title: 'Key the whole pose (Enter)' });
  const letGo = button('Let go', () => desk.letGoOfLoose(), { title: 'Put it back as it was (Esc)' });
  const removeIt = button('Remove key', () => desk.work.removeKeys(), { title: 'Backspace' });
  return {
    rows: [h('div', { class: 'buttons' }, keyIt, letGo, removeIt)],
    refresh() {
      removeIt.disabled = !keys.here && desk.chosen.isEmpty;
      letGo.hidden = !desk.loose;
      keyIt.textContent = desk.loose ? 'Key the loose pose' : 'Key this pose';
      keyIt.disabled = keys.isWithoutEffect;
    },
  };
}
