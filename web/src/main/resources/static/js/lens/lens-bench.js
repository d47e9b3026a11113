// The Lens bench: the lens, its iris, what it sees, and what is sharp, each drawn and each to be dragged and typed.
import { drawSoon } from '../common/draw-soon.js';
import { button, h } from '../common/dom.js';
import { fixed, stop } from '../common/format.js';
import { lengthText, units } from '../common/units.js';
import { pickFocus } from '../panels/focus-pick.js';
import { Depths } from '../shot/depths.js';
import { Streaks } from '../shot/streaks.js';
import { isOff, lensOf } from '../shot/parts.js';
import { markAt } from '../shot/focus.js';
import { heightPx } from '../shot/picture-frame.js';
import { isParallel } from '../shot/seen.js';
import { targetNode } from '../shot/targets.js';
import { fieldsOf, groups, parallelGroups } from './bench-fields.js';
import { DepthChart } from './depth-chart.js';
import { FieldDrawing } from './field-drawing.js';
import { IrisDrawing } from './iris-drawing.js';
import { Section } from './section.js';
import { streakPart } from './streak.js';

/** F-stops below this are on no lens. */
const LEAST_STOP = 0.7;

export class LensBench {
  constructor(store, desk, element) {
    this.store = store;
    this.desk = desk;
    this.element = element;
    this.depths = new Depths(store, desk);
    this.streaks = new Streaks(store, desk);
    this.built = null;
    const ask = () => this.ask();
    for (const name of ['shot', 'motion']) store.addEventListener(name, ask);
    for (const name of ['frame', 'live', 'selection', 'layout', 'loose']) desk.addEventListener(name, ask);
    this.depths.addEventListener('change', ask);
    this.streaks.addEventListener('change', ask);
    units.addEventListener('length', ask);
  }

  get isOpen() {
    return this.desk.view === 'lens';
  }

  ask() {
    this.depths.want(this.isOpen);
    this.streaks.want(this.isOpen);
    if (this.asked || !this.isOpen) return;
    this.asked = true;
    drawSoon(this.element, () => {
      this.asked = false;
      this.draw();
    });
  }

  draw() {
    const node = this.store.byId.get(this.desk.camera);
    const lens = node && this.store.lens(node.id, this.desk.frame);
    if (!lens) {
      this.built = null;
      const text = 'The bench is of a camera. Add one, and its lens is laid out here.';
      this.element.replaceChildren(h('p', { class: 'nothing', text }));
      return;
    }
    const { sensorMm, closeFocusM, follow, pulls, projection } = lensOf(node);
    const made = `${node.id} ${projection ?? ''} ${follow ? 'follows' : pulls ? 'pulled' : ''}`;
    if (this.built !== made) this.build(node.id, isParallel(lens));
    this.built = made;
    const motion = this.store.motion.get(node.id);
    const pictureHeight = heightPx(this.store.picture, this.store.header.aspect);
    const now = { node, lens, sensorMm, closeFocusM, motion, outline: motion.iris, pictureHeight };
    this.drawings.forEach((drawing) => drawing.show(now));
    Object.values(this.fields).forEach((field) => field.refresh());
    this.streak.refresh();
    this.marks.textContent = marksOf(node, lens, closeFocusM);
    if (isParallel(lens)) return;
    this.facts.textContent = factsOf(lens);
    this.follows.textContent = focusSays(this.store, this.desk, { follow, pulls });
  }

  /** Makes drawings and fields for a camera. */
  build(id, parallel) {
    this.element.classList.toggle('parallel', parallel);
    this.marks = h('span', { class: 'trouble', role: 'status' });
    this.streak = streakPart(this.store, this.desk, this.streaks, id);
    if (parallel) this.buildParallel(id);
    else this.buildPerspective(id);
  }

  /** An orthographic camera has a picture, and no lens in section. */
  buildParallel(id) {
    this.fields = fieldsOf(this.store, this.desk, id);
    const named = parallelGroups(this.fields);
    const field = new FieldDrawing(this.fields);
    this.drawings = [field];
    this.element.replaceChildren(
      part('View', [field.svg], named.field),
      part('Orthographic', PARALLEL_WORDS, [...named.shutter, ...this.streak.elements, this.marks]),
    );
  }

  buildPerspective(id) {
    this.fields = fieldsOf(this.store, this.desk, id);
    const pick = button('Pick', () => pickFocus(this.store, this.desk, id), {
      title: 'Press in the picture what is to be sharp',
    });
    const named = groups(this.fields, pick);
    const section = new Section(this.fields);
    const iris = new IrisDrawing(this.fields);
    const field = new FieldDrawing(this.fields);
    const chart = new DepthChart(this.store, this.desk, this.fields, this.depths);
    this.drawings = [section, iris, field, chart];
    this.facts = h('span', { class: 'number' });
    this.follows = h('small');
    this.element.replaceChildren(
      part('Lens', [section.svg], named.section),
      part('Iris', [iris.svg], named.iris),
      part('View', [field.svg], [...named.field, ...this.streak.elements]),
      part('Distances', [chart.svg], [...named.depth, this.follows, this.facts, this.marks]),
    );
  }
}

/** A drawing, or what else there is to see, with its numbers. */
const part = (title, shown, numbers) =>
  h(
    'div',
    { class: `part ${title.toLowerCase()}` },
    h('h2', { text: title }),
    ...shown,
    h('div', { class: 'numbers' }, ...numbers),
  );

const PARALLEL_WORDS = [
  'It sees in parallel: a metre is as large in the picture at any distance. To dolly changes nothing in size.',
  'No depth of field: nothing is out of focus, whatever the f-stop. Motion blur is as with any camera.',
  'Focal length, f-stop, iris and focus are kept, and come back with “perspective” in the Lens panel.',
].map((text) => h('p', { text }));

/** What focus follows, or which mark it is on or goes to. */
function focusSays(store, desk, { follow, pulls }) {
  if (follow) return `follows ${targetNode(store, follow)}`;
  return pulls ? `pulled to ${markAt(pulls, desk.frame).name}` : '';
}

function factsOf(lens) {
  const far = lengthText(lens.farM);
  const hyperfocal = `hyperfocal ${lengthText(lens.hyperfocalM)}`;
  const equal = `like ${fixed(lens.focalMm * lens.equivalent35, 1)} mm on 36 × 24`;
  return `sharp ${lengthText(lens.nearM)} to ${far} · ${hyperfocal} · ${equal}`;
}

/** What no lens does, or this one does not. */
function marksOf(node, lens, closeFocusM) {
  if (isOff(node, 'lens')) return 'switched off: as at the first frame';
  const marks = [];
  if (isParallel(lens)) return '';
  if (lens.fStop < LEAST_STOP) marks.push(`no lens opens to ${stop(lens.fStop)}`);
  if (lens.focusM < closeFocusM - 1e-6) marks.push(`this lens focuses from ${lengthText(closeFocusM)} on`);
  return marks.join(' · ');
}
