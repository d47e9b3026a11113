// Re-timing: stretch, ripple, speed ramp, frame rate.
import { button, h } from '../common/dom.js';
import { framesPerSecond, rateLabel, trimmed } from '../common/format.js';
import { NumberField } from './number-field.js';
import { choice, row } from './parts.js';
import { RampDrawing } from './ramp-drawing.js';

const RATES = ['24', '25', '30', '48', '50', '60', '24000/1001', '30000/1001', '60000/1001'];

/** What is asked for here, kept while other panels are shown; range by shot. */
const asked = { of: 'all', from: null, to: null, factor: 1, by: 12, ripple: false, markers: true, range: true, keepLength: true, hits: true, rate: '25', keep: 'time', whole: false, way: 'stretch', points: null };

export const timingPanel = {
  signature: (store, node, desk) => `${asked.way} ${asked.of} ${store.header.in} ${store.header.out} ${desk.selected}`,

  build(store, desk, node) {
    asked.from ??= store.header.in;
    asked.to ??= store.header.out;
    const rate = () => store.header.rate;
    const redo = () => desk.announce('layout');
    const number = (name, label, kind, unit, digits, step, whole = true) => new NumberField({ label, kind, unit, digits, step, rate, get: () => asked[name], set: (to, done) => { if (done) { asked[name] = whole ? Math.round(to) : to; if (name === 'from' || name === 'to') asked.points = null; redo(); } return true; } });
    const way = choice('What is done to the time', [['stretch', 'Stretch a range'], ['ripple', 'Ripple'], ['ramp', 'Speed ramp'], ['rate', 'Convert the frame rate']], (to) => { asked.way = to; redo(); });
    way.value = asked.way;
    const of = choice('Whose keys', [['all', 'everything'], ['rig', 'the rig of the selected node'], ['one', node ? `${node.name} alone` : 'the selected node']], (to) => { asked.of = to; redo(); });
    of.value = asked.of;
    const ids = () => (asked.of === 'all' || !node ? [] : asked.of === 'one' ? [node.id] : [...store.carriersOf(node.id).map((n) => n.id), node.id]);
    const retime = (map, extra = {}) => ({ edit: 'retime', ids: ids(), map, landing: desk.landing, markers: asked.markers, range: false, ...extra });
    const check = (name, text) => h('label', {}, h('input', { type: 'checkbox', checked: asked[name], onchange: (event) => { asked[name] = event.target.checked; redo(); } }), text);
    const from = number('from', 'First frame of the range', 'frames', 'f', 0, 1);
    const to = number('to', 'Last frame of the range', 'frames', 'f', 0, 1);
    const chosen = button('From keys', () => { const f = desk.chosen.frames(); if (f.length > 1) { [asked.from, asked.to] = [f[0], f[f.length - 1]]; asked.points = null; redo(); } }, { title: 'Take the range of the chosen keys' });
    const parts = { stretch, ripple, ramp, rate: convert }[asked.way]();
    return {
      title: 'Timing',
      aside: parts.says,
      elements: [h('div', { class: 'rows' }, row('Do', way, asked.way === 'rate' ? h('span') : of), ...parts.rows)],
      refresh() { [from, to, ...(parts.fields ?? [])].forEach((f) => f.refresh()); parts.refresh?.(); },
      dispose: parts.dispose,
    };

    function stretch() {
      const factor = number('factor', 'Factor', 'plain', '×', 3, 0.05, false);
      const says = h('small');
      const length = new NumberField({ label: 'New length', kind: 'frames', unit: 'f', digits: 1, step: 1, rate, get: () => (asked.to - asked.from) * asked.factor, set: (v, done) => { if (done && v > 0) { asked.factor = v / (asked.to - asked.from); redo(); } return v > 0; } });
      const about = choice('About which frame', [['from', 'its start'], ['to', 'its end'], ['playhead', 'the playhead']], () => {});
      return {
        says,
        fields: [factor, length],
        rows: [row('Range', from.element, to.element, chosen), row('Factor', factor.element, labelled('makes', length.element)), row('About', about, check('ripple', 'later ones move along')), h('div', { class: 'row two' }, h('span'), check('markers', 'markers too'), check('range', 'and the end of the shot')),
          h('div', { class: 'buttons' }, button('Stretch', () => store.edit([retime({ kind: 'stretch', from: asked.from, to: asked.to, about: { from: asked.from, to: asked.to, playhead: desk.frame }[about.value], factor: asked.factor, ripple: asked.ripple }, { range: asked.ripple && asked.range })]), { class: 'main' }))],
        refresh() { says.textContent = `${asked.to - asked.from} f become ${trimmed((asked.to - asked.from) * asked.factor, 1)} f`; },
      };
    }

    function ripple() {
      const by = number('by', 'By how many frames', 'frames', 'f', 0, 1);
      const says = h('small');
      return {
        says,
        fields: [by],
        rows: [row('From', labelled('the playhead', h('span', { class: 'number' })), labelled('by', by.element)), h('div', { class: 'row two' }, h('span'), check('markers', 'markers too'), check('range', 'and the end of the shot')),
          h('div', { class: 'buttons' }, button('Ripple', () => store.edit([retime({ kind: 'ripple', from: desk.frame, by: asked.by }, { range: asked.range })]), { class: 'main', title: 'All that comes at the playhead or later moves along' }))],
        refresh() { says.textContent = `all from ${desk.frame} on comes ${Math.abs(asked.by)} f ${asked.by < 0 ? 'earlier' : 'later'}`; },
      };
    }

    function ramp() {
      const hits = () => (asked.hits && asked.keepLength ? store.markers.filter((m) => m.kind === 'hit' && m.frame > asked.from && m.frame < asked.to).map((m) => m.frame) : []);
      const drawing = new RampDrawing({ from: asked.from, to: asked.to, points: asked.points, hits, onchange: (points) => { asked.points = points; } });
      const says = h('small');
      const preset = (text, speeds) => button(text, () => drawing.set(speeds.map((speed, i) => [asked.from + ((asked.to - asked.from) * i) / (speeds.length - 1), speed])), { title: `Speeds ${speeds.join(', ')}` });
      return {
        says,
        rows: [row('Range', from.element, to.element, chosen), drawing.element,
          h('div', { class: 'buttons' },
            button('Ramp', () => store.edit([retime({ kind: 'ramp', points: drawing.points, keepLength: asked.keepLength, hits: hits() }, { range: !asked.keepLength && asked.to >= store.header.out })]), { class: 'main', title: 'Re-time the keys so that the move plays like this' }),
            preset('Even', [1, 1]), preset('Fast, slow, fast', [1.8, 0.5, 1.8]), preset('Slow, fast, slow', [0.5, 1.8, 0.5]),
            check('keepLength', 'length kept'), check('hits', 'hits stay put'), check('markers', 'markers too'))],
        refresh() { says.textContent = asked.keepLength ? `${hits().length} hit frames stay` : `${asked.to - asked.from} f become ${trimmed(drawing.length(), 1)} f`; drawing.draw(); },
        dispose: () => drawing.dispose(),
      };
    }

    function convert() {
      const target = choice('New frame rate', RATES.map((r) => [r, rateLabel(r)]), (r) => { asked.rate = r; redo(); });
      target.value = asked.rate;
      const keep = choice('What stays', [['time', 'time: every key at its moment'], ['frames', 'frames: every key on its frame']], (k) => { asked.keep = k; redo(); });
      keep.value = asked.keep;
      const says = h('p', { class: 'note', role: 'status' });
      const { header } = store;
      const whole = check('whole', 'round keys to whole frames');
      return {
        says: h('small', { text: `now ${rateLabel(header.rate)}` }),
        rows: [row('To', target, whole), row('Keep', keep), says, h('div', { class: 'buttons' }, button('Convert', () => store.edit([{ edit: 'convert-rate', rate: asked.rate, keep: asked.keep, wholeFrames: asked.whole }]), { class: 'main' }), button('Range and handles', () => desk.chooseCard('shot'), { title: 'First and last frame and handles of the shot' }))],
        refresh() {
          const [was, next] = [framesPerSecond(store.header.rate), framesPerSecond(asked.rate)];
          const count = store.header.out - store.header.in + 1;
          const frames = asked.keep === 'time' ? Math.round((count * next) / was) : count;
          const seconds = (n, fps) => `${trimmed(n / fps, 2)} s`;
          says.textContent = asked.keep === 'time'
            ? `The shot lasts ${seconds(count, was)} as before: ${count} frames become ${frames}, ${store.header.in} to ${store.header.in + frames - 1}. Keys keep their moments${asked.whole ? ', rounded to whole frames' : ' and may stand between frames'}.`
            : `All ${count} frames stay as they are; the shot lasts ${seconds(count, next)} instead of ${seconds(count, was)}.`;
        },
      };
    }
  },
};

const labelled = (text, element) => h('label', { class: 'with-label' }, h('small', { text }), element);
