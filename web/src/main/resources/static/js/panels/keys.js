// Place and turn of a node, and its keys at the playhead.
import { button, h } from '../common/dom.js';
import { NumberField } from './number-field.js';
import { channelField, heads, row } from './fields.js';
import { isOff, POSE } from '../shot/parts.js';
import { TANGENTS } from '../shot/tangents.js';
import { KeyChoice } from '../shot/key-choice.js';
import { keyFrames } from '../shot/keys.js';

export const keysPanel = {
  signature: () => '',

  build(store, desk, node) {
    const { id } = node;
    const fields = POSE.map((channel) => channelField(store, desk, id, channel));
    const here = () => keyFrames(store.byId.get(id), POSE).find((k) => Math.abs(k.frame - desk.frame) < 1e-6) ?? null;
    /** The chosen keys of this node, or those at the playhead. */
    const hand = () => {
      const chosen = desk.chosen.only((of, channel) => of === id && POSE.includes(channel));
      return chosen.isEmpty ? KeyChoice.of(id, POSE, [desk.frame]).existing(store) : chosen;
    };
    const keyFrame = new NumberField({
      label: 'Frame of this key',
      quantity: 'frames',
      unit: 'f',
      digits: 0,
      step: 1,
      rate: () => store.header.rate,
      get: () => here()?.frame ?? null,
      set: async (value, done) => {
        const frame = here()?.frame;
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
      },
    });
    const tangents = TANGENTS.map(([kind, text, title]) =>
      button(text, () => store.edit([{ edit: 'set-tangents', picks: hand().picks(), tangent: kind }]), {
        title,
        'data-tangent': kind,
      }),
    );
    const keyIt = button('Key this pose', () => desk.keyPose(), { class: 'main', title: 'Key the whole pose (Enter)' });
    const letGo = button('Let go', () => desk.letGoOfLoose(), { title: 'Put it back as it was (Esc)' });
    const removeIt = button('Remove key', () => desk.removeKeys(), { title: 'Backspace' });
    const says = h('small', { class: 'note' });

    return {
      title: `Keys · ${node.name}`,
      aside: says,
      elements: [
        h(
          'div',
          { class: 'rows' },
          heads('x / pan', 'y / tilt', 'z / roll'),
          row('Place', ...fields.slice(0, 3).map((f) => f.element)),
          row('Turn', ...fields.slice(3).map((f) => f.element)),
          h('div', { class: 'row' }, h('span', { text: 'Key at' }), keyFrame.element),
          row(
            'Tangent',
            h('span', { class: 'segments', role: 'group', 'aria-label': 'Tangent of this key' }, ...tangents),
          ),
          h('div', { class: 'buttons' }, keyIt, letGo, removeIt),
        ),
      ],
      refresh() {
        fields.forEach((f) => f.refresh());
        keyFrame.refresh();
        const key = here();
        keyFrame.input.disabled = !key;
        removeIt.disabled = !key && desk.chosen.isEmpty;
        letGo.hidden = !desk.loose;
        keyIt.textContent = desk.loose ? 'Key the loose pose' : 'Key this pose';
        for (const b of tangents) {
          b.disabled = hand().isEmpty;
          b.setAttribute(
            'aria-pressed',
            String(Boolean(key && key.tangents.size === 1 && key.tangents.has(b.dataset.tangent))),
          );
        }
        keyIt.disabled = isOff(store.byId.get(id), 'keys') && keyFrames(store.byId.get(id), POSE).length > 0;
        if (keyIt.disabled) says.textContent = `switched off: stands as at ${desk.first()}`;
        else if (desk.loose) says.textContent = 'loose: not keyed yet';
        else if (!key) says.textContent = keyFrames(store.byId.get(id), POSE).length ? 'between keys' : 'still';
        else
          says.textContent =
            key.channels.length === POSE.length ? 'whole-pose key' : `key of ${key.channels.join(', ')}`;
      },
    };
  },
};
