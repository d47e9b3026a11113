// Sensor, focal length, f-stop and focus, with what they lead to.
import { h } from '../common/dom.js';
import { fixed, metres } from '../common/format.js';
import { isOff } from '../shot/chain-parts.js';
import { NumberField } from './number-field.js';
import { channelField, choice, fact, heads, isSwitchedOff, keyState, row } from './parts.js';

const FULL_FRAME_DIAGONAL_MM = Math.hypot(36, 24);

export const lensPanel = {
  signature: (store, node) => `${JSON.stringify(node.lens)} ${store.nodes.map((n) => n.id + n.name).join()}`,

  build(store, desk, node, { sensors }) {
    const { id } = node;
    const lens = node.lens;
    const setLens = (change) => store.edit([{ edit: 'set-lens', id, lens: { ...store.byId.get(id).lens, ...change } }]);
    const known = sensors.findIndex((s) => s.widthMm === lens.sensorMm[0] && s.heightMm === lens.sensorMm[1]);
    const sensor = choice('Sensor', [...sensors.map((s, i) => [i, `${s.label} · ${s.widthMm} × ${s.heightMm} mm`]), [-1, `Custom · ${lens.sensorMm.join(' × ')} mm`]],
      (value) => { if (value >= 0) setLens({ sensorMm: [sensors[value].widthMm, sensors[value].heightMm] }); });
    sensor.value = known;
    const side = (index, label) => new NumberField({
      label, kind: 'lens-length', unit: 'mm', digits: 2, step: 0.1, rate: () => store.header.rate,
      get: () => store.byId.get(id).lens.sensorMm[index],
      set: (value, done) => {
        const sensorMm = [...store.byId.get(id).lens.sensorMm];
        sensorMm[index] = value;
        const edits = [{ edit: 'set-lens', id, lens: { ...store.byId.get(id).lens, sensorMm } }];
        if (!done) { store.show(edits); return true; }
        return store.edit(edits);
      },
    });
    const width = side(0, 'Sensor width');
    const height = side(1, 'Sensor height');
    const fit = choice('Fit of the picture', [['width', 'fit width'], ['height', 'fit height']], (value) => setLens({ fit: value }));
    fit.value = lens.fit;
    const focal = channelField(store, desk, id, 'focal');
    const view = (which, label, column) => new NumberField({
      label, title: label, kind: 'angle', unit: '°', digits: 2, step: 0.5, rate: () => store.header.rate,
      get: () => store.lens(id, desk.frame)?.[column] ?? null,
      set: (value, done) => {
        const frame = desk.frame;
        return desk.change(store.byId.get(id), ['focal'], (keying) => ({ edit: 'set-field-of-view', id, frame, side: which, degrees: value, keying }), { done });
      },
      state: () => keyState(store, id, 'focal', desk.frame),
      disabled: () => isSwitchedOff(store, id, 'focal'),
    });
    const wide = view('horizontal', 'Horizontal field of view', 'horizontalDeg');
    const high = view('vertical', 'Vertical field of view', 'verticalDeg');
    const stop = channelField(store, desk, id, 'fstop');
    const nodes = store.nodes.filter((n) => n.id !== id);
    const focusOn = choice('Focus', [['', 'distance'], ...nodes.map((n) => [n.id, `follow ${n.name}`])],
      (value) => setLens({ follow: value ? { node: value, offsetM: 0 } : null }));
    focusOn.value = lens.follow?.node ?? '';
    const focus = lens.follow
      ? new NumberField({
        label: 'Offset from the followed node', kind: 'length', unit: 'm', digits: 3, step: 0.05, rate: () => store.header.rate,
        get: () => store.byId.get(id).lens.follow?.offsetM ?? 0,
        set: (value, done) => {
          const edits = [{ edit: 'set-lens', id, lens: { ...store.byId.get(id).lens, follow: { node: lens.follow.node, offsetM: value } } }];
          if (!done) { store.show(edits); return true; }
          return store.edit(edits);
        },
      })
      : channelField(store, desk, id, 'focus');
    const facts = {
      near: fact('Near limit', 'Nearest sharp distance'), far: fact('Far limit', 'Farthest sharp distance'), hyper: fact('Hyperfocal', 'Focused there, all from half of it to infinity is sharp'),
      focus: fact('Focus at', 'Distance along the axis'), equal: fact('35 mm equal', 'Focal length with the same diagonal view on 36 × 24 mm'), circle: fact('Circle', 'Circle of confusion on the sensor'),
    };
    const says = h('small', { class: 'note' });
    const fields = [focal, wide, high, stop, focus, width, height];
    const equalFor = (mm) => (mm * FULL_FRAME_DIAGONAL_MM) / diagonal(store, id);

    return {
      title: `Lens · ${node.name}`,
      aside: says,
      elements: [h('div', { class: 'rows' },
        row('Sensor', sensor),
        row('', width.element, height.element, fit),
        heads('length', 'view across', 'view up'),
        row('Focal', focal.element, wide.element, high.element),
        h('div', { class: 'row' }, h('span', { text: 'F-stop' }), stop.element, focusOn, focus.element),
        h('div', { class: 'facts' }, ...Object.values(facts).map((f) => f.element)))],
      refresh() {
        fields.forEach((f) => f.refresh());
        const now = store.lens(id, desk.frame);
        if (!now) return;
        says.textContent = isOff(store.byId.get(id), 'lens') ? `switched off: as at ${desk.first()}` : '';
        const close = now.focusM < store.byId.get(id).lens.closeFocusM - 1e-6;
        facts.near.show(metres(now.nearM));
        facts.far.show(metres(now.farM));
        facts.hyper.show(metres(now.hyperfocalM));
        facts.focus.show(metres(now.focusM) + (close ? ' !' : ''));
        facts.focus.element.classList.toggle('trouble', close);
        facts.focus.element.title = close ? `Closer than this lens can focus (${metres(store.byId.get(id).lens.closeFocusM)})` : 'Distance along the axis';
        facts.equal.show(`${fixed(equalFor(now.focalMm), 1)} mm`);
        facts.circle.show(`${fixed(circle(store, id) * 1000, 1)} µm`);
      },
    };
  },
};

/** Diagonal of the part of the sensor that the picture uses. */
function diagonal(store, id) {
  const { sensorMm: [w, h], fit, squeeze } = store.byId.get(id).lens;
  const { aspect } = store.header;
  return fit === 'width' ? Math.hypot(w, (w * squeeze) / aspect) : Math.hypot((h * aspect) / squeeze, h);
}

const circle = (store, id) => store.byId.get(id).lens.circleMm ?? diagonal(store, id) / 1500;
