// What comes in: a look at it first, what it says wrongly put right, and where it goes.
import { postJson, readQuantity } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { watched } from '../common/progress.js';
import { group, say, select, tick, trouble, trying } from './fields.js';
import { foundIn } from './found.js';

const LOOK_AFTER_MS = 300;
const UNITS = [
  ['', 'as in the file'],
  ['1', 'metres'],
  ['0.01', 'centimetres'],
  ['0.001', 'millimetres'],
  ['0.0254', 'inches'],
  ['0.3048', 'feet'],
];
const AS_THEY_CAME = ['as-they-came', 'as they came'];
/** What is not said comes first, as in each of these lists. */
const KEYS = [
  ['', AS_THEY_CAME[1]],
  AS_THEY_CAME,
  ['few', 'few, within a tolerance'],
  ['every-frame', 'on every frame'],
];

export class Bringing {
  /** @param {import('./desk.js').Desk} desk */
  constructor(desk) {
    this.desk = desk;
    this.trouble = trouble();
    this.done = h('div', { class: 'message good', role: 'status', hidden: true });
    this.preview = h('div', { 'aria-live': 'polite' });
    this.makeFields();
    const side = h(
      'section',
      { class: 'panel', 'aria-label': 'What is inside' },
      h('h2', { text: 'What is inside' }),
      this.preview,
    );
    this.root = h(
      'div',
      { class: 'desk-pair' },
      h('section', { class: 'panel', 'aria-label': 'Bring in' }, this.makeForm()),
      side,
    );
    this.showNothing();
  }

  makeFields() {
    const text = (id, placeholder) =>
      h('input', { id, type: 'text', class: 'number', placeholder, 'aria-label': placeholder });
    this.files = h('input', { id: 'file', type: 'file', multiple: true, 'aria-label': 'Files', accept: this.accepted });
    this.axes = select([['', 'as in the file'], ...this.desk.choices.axes.map((a) => [a.id, a.label])], {
      id: 'axes',
      'aria-label': 'Axes',
    });
    this.unit = select(UNITS, { id: 'unit', 'aria-label': 'Unit' });
    this.scale = text('scale', 'times 1');
    this.rate = text('rate', 'as in the file');
    this.first = text('first', 'as in the file');
    this.into = select(
      [['here', 'this shot'], ['new', 'a new shot'], ...this.desk.cameras.map((c) => [`on:${c.id}`, `onto ${c.name}`])],
      {
        id: 'into',
        'aria-label': 'Put into',
      },
    );
    this.camera = select([['', 'the first camera']], { id: 'camera', 'aria-label': 'Camera of the file' });
    this.keys = select(KEYS, { id: 'keys', 'aria-label': 'Keys' });
    this.tolerance = text('tolerance', 'times 1: 1 mm, 0.01° a channel');
    this.carriers = tick('Place on a dolly, turn on a head', { id: 'carriers' });
    this.landing = h('p', { class: 'told', 'aria-live': 'polite' });
    this.showLanding();
  }

  get accepted() {
    const endings = this.desk.choices.formats.flatMap((f) => f.endings);
    return [...endings, 'json', 'bin', 'mtl'].map((e) => `.${e}`).join(',');
  }

  makeForm() {
    const drop = h('div', { class: 'drop' }, this.files);
    drop.addEventListener('dragover', (event) => {
      event.preventDefault();
      drop.classList.add('over');
    });
    drop.addEventListener('dragleave', () => drop.classList.remove('over'));
    drop.addEventListener('drop', (event) => this.dropped(event, drop));
    return h(
      'form',
      { onchange: () => this.lookSoon(), onsubmit: (event) => this.bring(event) },
      group('File', drop),
      group('Put into', this.into, this.camera, this.landing),
      group('Axes', this.axes),
      group('Unit', this.unit),
      group('Size', this.scale),
      group('Frame rate', this.rate),
      group('First frame', this.first),
      group('Keys', this.keys, this.tolerance, this.carriers),
      this.trouble,
      h('div', { class: 'actions' }, h('button', { type: 'submit', class: 'main', text: 'Bring in' })),
      this.done,
    );
  }

  dropped(event, drop) {
    event.preventDefault();
    drop.classList.remove('over');
    this.files.files = event.dataTransfer.files;
    this.lookSoon();
  }

  showNothing() {
    const formats = this.desk.choices.formats.map((f) => f.label).join(', ');
    const what = `${formats}, or a shot saved as .json`;
    const words = `Choose a file, with those that it names: ${what}. It is looked at first; nothing is kept.`;
    this.preview.replaceChildren(h('p', { class: 'empty', text: words }));
  }

  get renews() {
    return this.into.value === 'renew';
  }

  /** What the chosen landing does to what is there, and what holds where nothing is said. */
  showLanding() {
    const renewal = 'Its keys, lens and triangles are renewed; what was built on top stays.';
    const onto = this.isOnto ? 'Its motion is replaced, all else of it stays.' : '';
    this.landing.textContent = this.renews ? renewal : onto;
    this.camera.hidden = !this.isOnto;
    const unsaid = this.renews ? 'as before' : 'as in the file';
    [this.axes, this.unit].forEach((list) => (list.options[0].text = unsaid));
    [this.rate, this.first].forEach((field) => (field.placeholder = unsaid));
    this.scale.placeholder = this.renews ? unsaid : 'times 1';
    this.keys.options[0].text = this.renews ? unsaid : AS_THEY_CAME[1];
    this.keys.options[1].hidden = !this.renews;
    this.carriers.hidden = this.renews;
  }

  get isOnto() {
    return this.into.value.startsWith('on:');
  }

  /** The chosen files, with where they go and what is asked for. */
  async form() {
    const form = new FormData();
    const files = [...this.files.files];
    files.forEach((file) => form.append('file', file));
    const whole = files.some((file) => file.name.toLowerCase().endsWith('.json'));
    if (this.into.value !== 'new' && !whole) form.append('shot', this.desk.shot);
    if (this.isOnto) form.append('onto', this.into.value.slice(3));
    if (this.renews) form.append('renew', 'true');
    const carriers = /** @type {HTMLInputElement} */ (this.carriers.querySelector('input'));
    const said = {
      camera: this.camera.value,
      axes: this.axes.value,
      metresPerUnit: this.unit.value,
      scale: this.scale.value.trim(),
      rate: this.rate.value.trim(),
      keys: this.keys.value,
      tolerance: this.tolerance.value.trim(),
      carriers: carriers.checked ? 'true' : '',
    };
    Object.entries(said).forEach(([name, value]) => value && form.append(name, value));
    if (this.first.value.trim()) form.append('firstFrame', String(await this.firstFrame()));
    return form;
  }

  async firstFrame() {
    return Math.round(await readQuantity(this.first.value, 'frames', this.rate.value.trim() || this.desk.rate));
  }

  lookSoon() {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.look(), LOOK_AFTER_MS);
  }

  /** Looks into the files; of two looks that overlap the later counts. */
  async look() {
    this.showLanding();
    if (!this.files.files.length) return this.showNothing();
    const asked = (this.asked = Symbol('look'));
    const path = `/api/productions/${this.desk.production}/imports/preview`;
    const found = await trying(this.trouble, async () => {
      const form = await this.form();
      return watched((request) => postJson(path, form, request));
    });
    if (asked !== this.asked) return undefined;
    if (!found) return this.preview.replaceChildren();
    this.fillCameras(found.cameras);
    this.offerRenewal(found.renewable ?? 0);
    return this.preview.replaceChildren(foundIn(found));
  }

  /** A file that came in before can renew what came from it. */
  offerRenewal(count) {
    const there = this.into.querySelector('[value=renew]');
    const text = `renew what came from it (${count} ${count === 1 ? 'node' : 'nodes'})`;
    if (!count && this.into.value !== 'renew') there?.remove();
    else if (there) there.textContent = text;
    else if (count) this.into.append(h('option', { value: 'renew', text }));
  }

  fillCameras(names) {
    const kept = this.camera.value;
    const options = [['', 'the first camera'], ...names.map((n) => [n, n])];
    this.camera.replaceChildren(...options.map(([value, text]) => h('option', { value, text })));
    if (names.includes(kept)) this.camera.value = kept;
  }

  async bring(event) {
    event.preventDefault();
    if (!this.files.files.length) return say(this.trouble, 'Choose a file first');
    this.done.hidden = true;
    const path = `/api/productions/${this.desk.production}/imports`;
    const made = await trying(this.trouble, async () => {
      const form = await this.form();
      return watched((request) => postJson(path, form, request));
    });
    if (!made) return undefined;
    this.say(made);
    return this.desk.changed();
  }

  say(made) {
    const words = this.isOnto
      ? 'The motion is replaced.'
      : this.renews
        ? 'What came from it is renewed.'
        : `${made.nodes.length} nodes came in.`;
    const link = h('a', { href: `/shots/${made.shotId}`, text: 'Open it on the Floor' });
    const undo =
      String(made.shotId) === this.desk.shot ? button('Undo it', () => this.undo(), { class: 'quiet' }) : null;
    this.done.replaceChildren(h('b', { text: words }), ' ', link, ' ', undo ?? '');
    this.done.hidden = false;
  }

  undo() {
    return trying(this.trouble, async () => {
      await postJson(`/api/shots/${this.desk.shot}/undo`);
      await this.desk.changed();
      this.done.hidden = true;
    });
  }
}
