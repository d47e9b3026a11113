// The sensor of a camera: chosen by its name or typed by its sides; what the production keeps for all its shots.
import { button, h } from '../common/dom.js';
import { toast } from '../common/toasts.js';
import { sayProblem } from '../shot/say-problem.js';
import { choice, row } from './fields.js';
import { NumberField } from './number-field.js';

const CUSTOM = '';

const FITS = [
  ['width', 'full width'],
  ['height', 'full height'],
];

const size = ([width, height]) => `${width} × ${height} mm`;

export function sensorPart(store, desk, lens) {
  const sensor = sensorChoice(desk, lens);
  const fields = [side(store, lens, 0, 'Sensor width'), side(store, lens, 1, 'Sensor height')];
  const fit = choice('Which side of the sensor the picture takes whole', FITS, (value) => lens.set({ fit: value }));
  fit.value = lens.now().fit;
  const keeping = keepingPart(desk, lens, () => refresh());
  const refresh = () => {
    sensor.refresh();
    keeping.refresh();
    fields.forEach((f) => f.refresh());
  };
  const shown = (problem) => toast(sayProblem(problem));
  if (!desk.sensors.all.length) desk.sensors.load().then(refresh, shown);
  const sides = row('', ...fields.map((f) => f.element), fit);
  return { rows: [row('Sensor', sensor.element), sides, keeping.row], refresh };
}

/** All sensors by name, those that are kept apart. */
function sensorChoice(desk, lens) {
  const element = choice('Sensor', [], (name) => {
    const chosen = desk.sensors.all.find((each) => each.name === name);
    if (chosen) lens.set({ sensorMm: chosen.sensorMm });
  });
  let made = null;
  const option = ({ name, sensorMm }) => h('option', { value: name, text: `${name} · ${size(sensorMm)}` });
  const refresh = () => {
    const { all } = desk.sensors;
    const { sensorMm } = lens.now();
    const key = JSON.stringify([all, sensorMm]);
    if (key === made) return;
    made = key;
    const kept = all.filter((each) => each.kept);
    element.replaceChildren(
      ...all.filter((each) => !each.kept).map(option),
      ...(kept.length ? [h('optgroup', { label: 'Kept by the production' }, ...kept.map(option))] : []),
      h('option', { value: CUSTOM, text: `Custom · ${size(sensorMm)}` }),
    );
    element.value = desk.sensors.of(sensorMm)?.name ?? CUSTOM;
  };
  refresh();
  return { element, refresh };
}

function side(store, lens, index, label) {
  return new NumberField({
    label,
    quantity: 'lens-length',
    unit: 'mm',
    digits: 2,
    step: 0.1,
    rate: () => store.header.rate,
    get: () => lens.now().sensorMm[index],
    set: (value, done) => lens.set({ sensorMm: lens.now().sensorMm.map((v, i) => (i === index ? value : v)) }, done),
  });
}

/** A sensor that has no name can be kept under one; one that is kept can be forgotten. */
function keepingPart(desk, lens, changed) {
  const name = h('input', { type: 'text', 'aria-label': 'Name to keep the sensor under', placeholder: 'name' });
  name.maxLength = 60;
  const change = async (work, says) => {
    try {
      await work();
      toast(says);
      name.value = '';
    } catch (problem) {
      toast(sayProblem(problem));
    }
    changed();
  };
  const keep = () => {
    const text = name.value.trim();
    if (!text) return name.focus();
    const sensor = lens.now().sensorMm;
    return change(() => desk.sensors.keep(text, sensor), `${text} is kept for all shots of the production`);
  };
  const forget = () => {
    const kept = desk.sensors.of(lens.now().sensorMm);
    return change(() => desk.sensors.forget(kept.name), `${kept.name} is no more kept; this camera stays as it is`);
  };
  const keeping = row('Keep as', name, button('Keep', keep, { title: 'Keeps this sensor in the production' }));
  const forgetting = row('', button('Forget this sensor', forget, { title: 'No more kept by the production' }));
  const refresh = () => {
    const { all } = desk.sensors;
    const known = desk.sensors.of(lens.now().sensorMm);
    keeping.hidden = !all.length || known !== undefined;
    forgetting.hidden = !known?.kept;
  };
  refresh();
  return { row: h('div', { class: 'rows' }, keeping, forgetting), refresh };
}
