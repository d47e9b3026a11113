// What goes out: which cameras, what goes along, to whom, and whether both sides agree.
import { getAnswer, getJson } from '../common/api.js';
import { button, h } from '../common/dom.js';
import { watched } from '../common/progress.js';
import { axesDrawing, profileWords } from './axes-drawing.js';
import { checkOf } from './check-strip.js';
import { CutRows } from './cut-rows.js';
import { choice, group, say, select, tick, trouble, trying } from './fields.js';
import { save } from './saving.js';

const LISTS = [
  ['otio', 'Cuts, OpenTimelineIO'],
  ['edl', 'Cuts, edit list'],
  ['report', 'Camera report'],
  ['anchors', 'Places in the picture'],
  ['plates', 'Plates with marks, for a receiver'],
];
const CHECK_AFTER_MS = 350;

export class Sending {
  /** @param {import('./desk.js').Desk} desk */
  constructor(desk) {
    this.desk = desk;
    this.trouble = trouble();
    this.checks = h('div', { 'aria-live': 'polite' });
    this.receiver = h('div', { class: 'receiver' });
    this.form = this.makeForm();
    this.root = h(
      'div',
      { class: 'desk-pair' },
      h('section', { class: 'panel', 'aria-label': 'Send out' }, this.form),
      this.makeSide(),
    );
    desk.addEventListener('profiles', () => this.fillProfiles());
    this.fillProfiles();
  }

  /** It came to the front. */
  shown() {
    this.checkSoon();
  }

  makeForm() {
    const changed = () => this.checkSoon();
    this.cuts = new CutRows(this.desk, changed);
    this.profile = select([], { id: 'profile', 'aria-label': 'Receiver', onchange: () => this.showReceiver() });
    const form = h(
      'form',
      { onchange: changed, onsubmit: (event) => this.submitted(event) },
      this.camerasGroup(),
      group('Along', ...this.company()),
      this.framesGroup(),
      group('Program', this.cuts.root, tick('One joined camera that cuts', { name: 'joined' })),
      group('To', this.profile),
      group('As', this.formats()),
      this.trouble,
      h(
        'div',
        { class: 'actions' },
        button('Save the whole shot (.json)', () => this.write('export/json')),
        h('button', { type: 'submit', class: 'main', text: 'Write' }),
      ),
    );
    return form;
  }

  camerasGroup() {
    const boxes = this.desk.cameras.map((c) => tick(c.name, { name: 'camera', value: c.id, checked: true }));
    const none = h('p', { class: 'told', text: 'This shot has no camera yet. Add one on the Floor.' });
    return group('Cameras', h('div', { class: 'ticks' }, ...(boxes.length ? boxes : [none])));
  }

  company() {
    return [
      choice('company', 'set', 'Pieces as triangles, and the sun', { checked: true }),
      choice('company', 'nulls', 'Pieces and lights as nulls'),
      choice('company', 'carriers', 'Only the nulls that carry them'),
    ];
  }

  framesGroup() {
    const { range, handles } = this.desk;
    this.frames = select([
      ['profile', 'as the receiver wants'],
      ['range', `the range, ${range.in} to ${range.out}`],
      ['handles', `with handles, ${range.in - handles} to ${range.out + handles}`],
      ...(this.desk.program.length ? [['needed', 'what the program needs']] : []),
      ['other', 'other frames'],
    ]);
    this.frames.id = 'frames';
    this.frames.setAttribute('aria-label', 'Frames');
    this.from = h('input', {
      type: 'text',
      class: 'number',
      value: String(range.in),
      'aria-label': 'First frame that goes out',
    });
    this.to = h('input', {
      type: 'text',
      class: 'number',
      value: String(range.out),
      'aria-label': 'Last frame that goes out',
    });
    this.pair = h('span', { class: 'pair', hidden: true }, this.from, this.to);
    this.told = h('p', { class: 'told' });
    return group('Frames', this.frames, this.pair, this.told);
  }

  /** First and last frame that go out, as far as they are typed. */
  get sent() {
    const { range, handles } = this.desk;
    if (this.frames.value === 'other') return [this.from.value.trim(), this.to.value.trim()];
    const wanted = this.frames.value === 'profile' && this.desk.profile(this.profile.value)?.handles;
    const air = wanted || this.frames.value === 'handles' ? handles : 0;
    return [range.in - air, range.out + air].map(String);
  }

  /** Says what goes out, and what stays behind. */
  showFrames() {
    this.pair.hidden = this.frames.value !== 'other';
    if (this.frames.value === 'needed') {
      this.told.textContent = 'From the first to the last frame that the program needs of them, with handles.';
      return;
    }
    const [from, to] = this.sent;
    const count = Number(to) - Number(from) + 1;
    const { handles, range } = this.desk;
    const behind = handles && Number(from) === range.in ? ` The ${handles} f of handles at each end stay behind.` : '';
    const whole = from !== '' && to !== '' && count > 0;
    this.told.textContent = whole
      ? `${count} f go out; time 0 is frame ${from}.${behind}`
      : 'Type the first and the last frame that go out.';
  }

  formats() {
    const scenes = this.desk.choices.formats.filter((f) => f.written);
    const ticks = scenes.map((f) =>
      tick(`${f.label} (.${f.endings[0]})`, { name: 'format', value: f.id, checked: f.id === 'glb' }),
    );
    const lists = LISTS.map(([id, text]) => tick(text, { name: 'format', value: id }));
    return h('div', { class: 'ticks' }, ...ticks, ...lists);
  }

  makeSide() {
    const title = h('h2', { text: 'Do both sides agree?' });
    const words =
      'Each file is written, read back into a fresh shot, and compared on a grid of points at three depths.';
    return h(
      'div',
      {},
      h('section', { class: 'panel', 'aria-label': 'Receiver' }, this.receiver),
      h('section', { class: 'panel', 'aria-label': 'Transfer check' }, title, h('p', { text: words }), this.checks),
    );
  }

  fillProfiles() {
    const kept = this.profile.value;
    this.profile.replaceChildren(...this.desk.profiles.map((p) => h('option', { value: p.name, text: p.name })));
    if (this.desk.profile(kept)) this.profile.value = kept;
    this.showReceiver();
  }

  showReceiver() {
    const profile = this.desk.profile(this.profile.value);
    const axes = profile && this.desk.axes(profile.axes);
    if (!axes) return;
    const proven = profile.proven ? 'Its numbers were worked by hand.' : 'Its numbers were not worked by hand.';
    const words = profileWords(profile, axes, this.desk.choices);
    const title = h('h2', { text: profile.name });
    this.receiver.replaceChildren(
      axesDrawing(axes),
      h('div', {}, title, h('p', { text: words }), h('p', { text: proven })),
    );
  }

  /** What is asked for, without the formats. */
  get query() {
    const data = new FormData(this.form);
    const query = new URLSearchParams();
    data.getAll('camera').forEach((camera) => query.append('camera', String(camera)));
    query.set('company', String(data.get('company')));
    query.set('profile', this.profile.value);
    if (this.frames.value === 'other') query.set('frames', `${this.from.value.trim()}-${this.to.value.trim()}`);
    else if (this.frames.value !== 'profile') query.set('frames', this.frames.value);
    if (this.cuts.program) query.set('program', this.cuts.program);
    if (data.has('joined')) query.set('joined', 'true');
    return query;
  }

  get chosen() {
    return new FormData(this.form).getAll('format').map(String);
  }

  checkSoon() {
    this.showFrames();
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.check(), CHECK_AFTER_MS);
  }

  /** Checks what would be written, while it is in front; of two that overlap the later counts. */
  async check() {
    if (!this.root.isConnected) return;
    const asked = (this.asked = Symbol('check'));
    const scenes = this.desk.choices.formats.filter((f) => this.chosen.includes(f.id));
    if (!this.isWhole(scenes)) return;
    const reports = await trying(this.trouble, () => Promise.all(scenes.map((f) => this.reportOf(f))));
    if (asked !== this.asked || !reports) return;
    this.checks.replaceChildren(...reports);
  }

  isWhole(scenes) {
    const empty = h('p', {
      class: 'empty',
      text: 'Choose a camera and a format that holds one: its check stands here.',
    });
    const whole = scenes.length > 0 && this.query.has('camera');
    if (!whole) this.checks.replaceChildren(empty);
    return whole;
  }

  async reportOf(format) {
    return checkOf(format.label, await getJson(`/api/shots/${this.desk.shot}/transfer/${format.id}?${this.query}`));
  }

  submitted(event) {
    event.preventDefault();
    if (!this.query.has('camera')) return say(this.trouble, 'Choose at least one camera');
    const formats = this.chosen;
    if (!formats.length) return say(this.trouble, 'Choose at least one format');
    if (formats.length === 1 && formats[0] !== 'plates') return this.write(`export/${formats[0]}?${this.query}`);
    const query = this.query;
    formats.forEach((f) => query.append('format', f));
    return this.write(`export/zip?${query}`);
  }

  write(path) {
    return trying(this.trouble, async () => {
      await save(await watched((request) => getAnswer(`/api/shots/${this.desk.shot}/${path}`, request)));
      this.desk.changed();
    });
  }
}
