// Work on many keys at once: copying, the whole rig, fewer or more keys, which channels take keys.
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { CHANNELS } from '../shot/channels.js';
import { channelsOf, keysOf } from '../shot/keys.js';
import { NumberField } from './number-field.js';
import { row } from './parts.js';

/** What is asked for by number here, kept while other panels are shown. */
const asked = { placeM: 0.01, turn: 0.1, lens: 0.1, step: 1 };

export const toolsPanel = {
  signature: () => '',

  build(store, desk, node) {
    if (!node) return { title: 'Tools', elements: [h('p', { class: 'note', text: 'Choose something in the list of what is on set.' })], refresh() {} };
    const { id } = node;
    const rate = () => store.header.rate;
    const keyCount = () => channelsOf(store.byId.get(id)).reduce((sum, c) => sum + keysOf(store.byId.get(id), c).length, 0);
    const counted = async (edits) => {
      const was = keyCount();
      if (await store.edit(edits)) toast(`${node.name}: ${was} keys before, ${keyCount()} now`);
    };
    const number = (name, label, kind, unit, digits, step) => new NumberField({ label, kind, unit, digits, step, rate, get: () => asked[name], set: (to, done) => { if (done) asked[name] = to; return true; } });
    const place = number('placeM', 'Tolerance of place', 'length', 'm', 4, 0.001);
    const turn = number('turn', 'Tolerance of turn', 'angle', '°', 3, 0.01);
    const lens = number('lens', 'Tolerance of the lens', 'plain', 'mm', 3, 0.01);
    const step = number('step', 'Frames from key to key', 'frames', 'f', 0, 1);
    const channels = channelsOf(node);
    const keyed = () => channels.filter((c) => keysOf(store.byId.get(id), c).length);
    const paste = [['same', 'Paste', 'Paste copied keys at the playhead'], ['offset', 'offset', 'Go on from the values that are here'], ['mirrored', 'mirrored', 'Left becomes right: x, pan and roll change their sign']]
      .map(([way, text, title]) => button(text, () => desk.pasteKeys(way), { title, 'data-paste': way }));
    const backwards = button('backwards', () => desk.pasteKeys('same', true), { title: 'In the opposite order' });
    const toggles = channels.map((channel) => button(CHANNELS[channel].name, () => {
      const filter = store.byId.get(id).filter ?? { leftOut: [], locked: [] };
      const out = filter.leftOut.includes(channel);
      store.edit([{ edit: 'set-key-filter', id, locked: filter.locked ?? [], leftOut: out ? filter.leftOut.filter((c) => c !== channel) : [...filter.leftOut, channel] }]);
    }, { 'data-filter': channel, title: `Whether whole-pose keys and recording take ${CHANNELS[channel].name}` }));
    return {
      title: `Tools · ${node.name}`,
      aside: h('small', { text: 'all at the playhead' }),
      elements: [h('div', { class: 'rows' },
        tool('Key', button('Whole rig', () => desk.keyRig(), { title: 'Key this node and all that carries it' }),
          button('Align keys', () => counted([{ edit: 'align-keys', id }]), { title: 'A key on every carrier and here at every key of the rig; the motion stays as it is' }),
          button('Insert', () => counted([{ edit: 'insert-keys', picks: [{ id, channels: keyed(), frames: [desk.frame] }] }]), { title: 'A key on every keyed channel at the playhead; the curves stay as they are', 'data-needs': 'keys' })),
        tool('Copy', button('Copy', () => desk.copyKeys(), { title: 'Copy the chosen keys, or those at the playhead (Ctrl+C)' }), ...paste, backwards),
        tool('Takes keys', h('span', { class: 'segments', role: 'group', 'aria-label': 'Channels that take keys' }, ...toggles.slice(0, 6)), ...(toggles.length > 6 ? [h('span', { class: 'segments', role: 'group', 'aria-label': 'Lens channels that take keys' }, ...toggles.slice(6))] : [])),
        row('Tolerance', place.element, turn.element, lens.element),
        tool('Reduce', button('Reduce keys', () => counted([{ edit: 'reduce-keys', id, channels: keyed(), placeM: asked.placeM, turn: asked.turn, lens: asked.lens }]), { title: 'Take keys away while every channel stays within its tolerance', 'data-needs': 'keys' })),
        h('div', { class: 'row two' }, h('span', { text: 'Bake every' }), step.element, button('Bake', () => counted([{ edit: 'bake-keys', id, channels: keyed(), from: desk.first(), to: desk.last(), step: Math.max(1, Math.round(asked.step)) }]), { title: 'Write keyed channels out as keys at even steps over the shot', 'data-needs': 'keys' })))],
      refresh() {
        [place, turn, lens, step].forEach((f) => f.refresh());
        [...paste, backwards].forEach((b) => { b.disabled = !desk.copied; });
        const filter = store.byId.get(id)?.filter;
        toggles.forEach((b) => b.setAttribute('aria-pressed', String(!filter?.leftOut?.includes(b.dataset.filter))));
        const none = !store.byId.get(id) || keyed().length === 0;
        this.elements[0].querySelectorAll('[data-needs="keys"]').forEach((b) => { b.disabled = none; });
      },
    };
  },
};

const tool = (name, ...elements) => h('div', { class: 'row one' }, h('span', { text: name }), h('span', { class: 'buttons' }, ...elements));
