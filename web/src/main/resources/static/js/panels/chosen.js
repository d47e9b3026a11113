// The chosen keys: exact numbers, tangents, what lies outside, scaling.
import { button, h } from '../common/dom.js';
import { axisOf, BEYOND, CHANNELS, TANGENTS } from '../shot/channels.js';
import { curveOf, keysOf } from '../shot/keys.js';
import { NumberField } from './number-field.js';
import { choice, row } from './parts.js';

/** The one value that all share, or null. */
const common = (values) => (values.length && values.every((v) => v === values[0]) ? values[0] : null);

export const chosenPanel = {
  signature: (store, node, desk) => [...desk.byAxis(desk.keysInHand()).keys()].join(),

  build(store, desk) {
    const hand = () => desk.keysInHand();
    const found = () => [...hand().each()].map(({ id, channel, frame }) => ({ id, channel, key: keysOf(store.byId.get(id), channel).find((k) => Math.abs(k[0] - frame) < 1e-6) })).filter((k) => k.key);
    const axes = [...desk.byAxis(hand()).keys()];
    const typical = found()[0]?.channel ?? 'x';
    const { unit, kind, digits, step } = CHANNELS[typical];
    const place = async (change, done, next) => {
      const picks = hand().picks();
      if (!done) { store.show([{ edit: 'place-keys', picks, landing: desk.landing, ...change }]); return true; }
      return desk.editKeys([{ edit: 'place-keys', picks, landing: desk.landing, ...change }], next ? desk.chosen.mapped(next) : desk.chosen);
    };
    const frame = new NumberField({
      label: 'Frame of the chosen keys', kind: 'frames', unit: 'f', digits: 2, step: 1, rate: () => store.header.rate,
      get: () => common(found().map((k) => k.key[0])), set: (to, done) => place({ frame: to }, done, () => to),
    });
    const value = new NumberField({
      label: 'Value of the chosen keys', kind, unit, digits, step, rate: () => store.header.rate,
      get: () => (axes.length === 1 ? common(found().map((k) => k.key[1])) : null), set: (to, done) => place({ value: to }, done),
    });
    const set = (change) => store.edit([{ edit: 'set-tangents', picks: hand().picks(), ...change }]);
    const tangents = TANGENTS.map(([name, text, title]) => button(text, () => set({ tangent: name }), { title, 'data-tangent': name }));
    const free = (field, text, title) => button(text, (event) => set({ tangent: 'free', [field]: event.currentTarget.getAttribute('aria-pressed') !== 'true' }), { title, 'data-free': field });
    const joined = free('joined', 'Joined', 'Both handles on one line; off: broken');
    const weighted = free('weighted', 'Weighted', 'The length of a handle counts, not only its slope');
    /** The only key in hand, with its handles as they are drawn; or null. */
    const single = () => {
      const keys = found();
      if (keys.length !== 1) return null;
      const [{ id, channel, key }] = keys;
      const all = keysOf(store.byId.get(id), channel);
      const i = all.indexOf(key);
      const p = store.motion.get(id)?.curves?.[channel]?.segments;
      if (!p || all.length < 2) return null;
      const b = (i - 1) * 8;
      const a = i * 8;
      return { id, channel, frame: key[0], weighted: key[2] === 'free' && key[8], in: i > 0 ? [key[0] - p[b + 4], key[1] - p[b + 5]] : null, out: i < all.length - 1 ? [p[a + 2] - key[0], p[a + 3] - key[1]] : null };
    };
    const handle = (side, what) => new NumberField({
      label: `Handle ${side}, ${what ? 'value' : 'frames'}`, kind: what ? kind : 'frames', unit: what ? unit : 'f', digits: what ? digits : 2, step: what ? step : 1, rate: () => store.header.rate,
      get: () => single()?.[side]?.[what] ?? null,
      set: (to, done) => {
        const key = single();
        const [frames, rise] = what ? [key[side][0], to] : [Math.max(0.01, to), key[side][1]];
        const edits = [{ edit: 'set-handle', id: key.id, channel: key.channel, frame: key.frame, side, frames, value: rise, alone: false }];
        if (!done) { store.show(edits); return true; }
        return store.edit(edits);
      },
    });
    const ends = { in: [handle('in', 0), handle('in', 1)], out: [handle('out', 0), handle('out', 1)] };
    const endRow = (side, text) => { const made = row(text, ...ends[side].map((f) => f.element)); made.title = 'How far the handle reaches from the key'; return made; };
    const endRows = [endRow('in', 'Reached by'), endRow('out', 'Left by')];
    const beyond = (side, label) => choice(label, [['', 'mixed'], ...BEYOND], (to) => to && store.edit(hand().ids().map((id) => ({ edit: 'set-beyond', id, channels: hand().channelsOf(id), [side]: to }))));
    const before = beyond('before', 'Before the first key');
    const after = beyond('after', 'After the last key');
    const numbers = { time: 1, value: 1 };
    const factor = (name, label) => new NumberField({ label, kind: 'plain', unit: '×', digits: 3, step: 0.05, rate: () => store.header.rate, get: () => numbers[name], set: (to, done) => { if (done) numbers[name] = to; return true; } });
    const inTime = factor('time', 'Factor of time');
    const inValue = factor('value', 'Factor of value');
    const about = choice('About which point', [['playhead', 'the playhead'], ['first', 'the first key'], ['last', 'the last key'], ['middle', 'the middle']], () => {});
    const scale = button('Scale', async () => {
      const frames = hand().frames();
      if (!frames.length) return;
      const aboutFrame = { playhead: desk.frame, first: frames[0], last: frames[frames.length - 1], middle: (frames[0] + frames[frames.length - 1]) / 2 }[about.value];
      const value0 = (axis) => { const all = found().filter((k) => axisOf(k.channel) === axis).map((k) => k.key); const at = all.filter((k) => k[0] === (about.value === 'last' ? frames[frames.length - 1] : frames[0])); return about.value === 'middle' || !at.length ? (Math.min(...all.map((k) => k[1])) + Math.max(...all.map((k) => k[1]))) / 2 : at[0][1]; };
      if (desk.chosen.isEmpty) desk.chooseKeys(hand());
      if (await desk.scaleKeys({ inTime: numbers.time, inValue: numbers.value, aboutFrame, aboutValue: value0 })) { numbers.time = 1; numbers.value = 1; inTime.refresh(); inValue.refresh(); }
    });
    const snap = button('Snap to frames', () => place({ snap: true }, true, Math.round), { title: 'Round the frames of the chosen keys to whole ones' });
    const landing = choice('Where a key lands on another', [['refuse', 'refused'], ['merge', 'takes its place']], (to) => { desk.landing = to; });
    const says = h('small');
    const clear = button('None', () => desk.chooseKeys(null), { title: 'Choose no keys' });
    const removeIt = button('Remove', () => desk.removeKeys(), { title: 'Backspace' });
    return {
      title: 'Keys chosen',
      aside: says,
      elements: [h('div', { class: 'rows' },
        row('Frame, value', frame.element, value.element),
        h('div', { class: 'row one' }, h('span', { text: 'Tangent' }), h('span', { class: 'segments', role: 'group', 'aria-label': 'Tangent of the chosen keys' }, ...tangents)),
        h('div', { class: 'row one' }, h('span', { text: 'Handles' }), h('span', { class: 'segments', role: 'group', 'aria-label': 'Handles of the chosen keys' }, joined, weighted)),
        ...endRows,
        row('Outside', labelled('before', before), labelled('after', after)),
        row('Scale by', labelled('time', inTime.element), labelled('value', inValue.element)),
        row('about', about, scale),
        row('Landing', landing, snap),
        h('div', { class: 'buttons' }, removeIt, clear))],
      refresh() {
        const keys = found();
        says.textContent = keys.length ? `${keys.length} ${keys.length === 1 ? 'key' : 'keys'} of ${hand().ids().map((id) => store.byId.get(id)?.name).join(', ')}` : 'none here: choose beads, or go to a key';
        [frame, value].forEach((f) => { f.refresh(); f.input.disabled = keys.length === 0; });
        value.input.disabled ||= axes.length !== 1;
        value.input.placeholder = axes.length > 1 ? 'several units' : '';
        const kinds = new Set(keys.map((k) => k.key[2]));
        for (const b of tangents) { b.disabled = keys.length === 0; b.setAttribute('aria-pressed', String(kinds.size === 1 && kinds.has(b.dataset.tangent))); }
        const frees = keys.filter((k) => k.key[2] === 'free');
        [[joined, 7], [weighted, 8]].forEach(([b, i]) => { b.disabled = keys.length === 0; b.setAttribute('aria-pressed', String(frees.length > 0 && frees.every((k) => k.key[i]))); });
        for (const [select, side] of [[before, 'before'], [after, 'after']]) { select.value = common(keys.map((k) => curveOf(store.byId.get(k.id), k.channel)?.[side] ?? 'hold')) ?? ''; select.disabled = keys.length === 0; }
        const one = single();
        endRows.forEach((r, i) => { r.hidden = !one?.[i ? 'out' : 'in']; });
        [...ends.in, ...ends.out].forEach((f) => f.refresh());
        for (const [length] of [ends.in, ends.out]) { length.input.disabled = !one?.weighted; length.input.title = one?.weighted ? length.options.label : 'The length counts only where handles are weighted'; }
        [scale, snap, removeIt].forEach((b) => { b.disabled = keys.length === 0; });
        clear.disabled = desk.chosen.isEmpty;
        landing.value = desk.landing;
      },
    };
  },
};

const labelled = (text, element) => h('label', { class: 'with-label' }, h('small', { text }), element);
