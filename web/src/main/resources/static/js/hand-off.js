// The page of hand-offs: files out, files in, and what they could not hold.
import { getAnswer, getJson, postJson, readQuantity } from './common/api.js';
import { keepLoggedIn } from './common/log-in.js';
import { watched } from './common/progress.js';

const REVOKE_AFTER_MS = 10_000;

/** @param {string} text a time in UTC */
const when = (text) => new Date(`${text}Z`).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** The name that an answer gives the file it holds. @param {Response} answer */
function fileName(answer) {
  const said = /filename\*=UTF-8''([^;]+)/.exec(answer.headers.get('Content-Disposition'));
  return decodeURIComponent(said?.[1] ?? 'shot');
}

/** Saves an answer as the file it names itself. @param {Response} answer */
async function download(answer) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(await answer.blob());
  link.download = fileName(answer);
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), REVOKE_AFTER_MS);
}

/** What the page knows and does. Alpine gives it the elements: $el, $refs. */
class HandOff {
  constructor() {
    this.frames = 'range';
    this.from = '';
    this.to = '';
    this.into = 'here';
    this.first = '';
    this.rate = '';
    this.busy = false;
    this.outTrouble = '';
    this.inTrouble = '';
    this.done = null;
    this.entries = [];
    this.loaded = false;
    this.shotFrames = { in: 0, out: 0, handles: 0 };
  }

  get isNew() {
    return this.into === 'new';
  }

  get firstHint() {
    return this.isNew ? 'as in the file, else 1001' : 'that of the shot';
  }

  get bringText() {
    return this.busy ? 'Reading…' : 'Bring in';
  }

  get others() {
    return this.frames === 'other';
  }

  /** First and last frame that go out, as far as they are typed. */
  get sent() {
    if (this.others) return [this.from.trim(), this.to.trim()];
    const air = this.frames === 'handles' ? this.shotFrames.handles : 0;
    return [this.shotFrames.in - air, this.shotFrames.out + air].map(String);
  }

  /** What goes out, and what stays behind. */
  get goesOut() {
    const [from, to] = this.sent;
    const count = Number(to) - Number(from) + 1;
    if (from === '' || to === '' || !(count > 0)) return 'Type the first and the last frame that go out.';
    const { handles } = this.shotFrames;
    const behind = this.frames === 'range' && handles ? ` The ${handles} f of handles at each end stay behind.` : '';
    return `${count} f go out; time 0 is frame ${from}.${behind}`;
  }

  get none() {
    return this.loaded && this.entries.length === 0;
  }

  get some() {
    return this.entries.length > 0;
  }

  get doneText() {
    return this.done ? `${this.done.nodes.length} nodes came in.` : '';
  }

  get doneLink() {
    return this.done ? `/shots/${this.done.shotId}` : '';
  }

  get doneNotes() {
    return this.done ? this.done.notes : [];
  }

  init() {
    const { shot, production } = /** @type {any} */ (this).$el.dataset;
    this.shot = shot;
    this.production = production;
    const frames = /** @type {any} */ (this).$refs.frames?.dataset;
    if (frames) this.shotFrames = { in: Number(frames.in), out: Number(frames.out), handles: Number(frames.handles) };
    this.from = String(this.shotFrames.in);
    this.to = String(this.shotFrames.out);
    return this.list();
  }

  async list() {
    const entries = await getJson(`/api/shots/${this.shot}/handoffs`);
    this.entries = entries.map((e) => ({ ...e, when: when(e.at), noteText: e.notes.join('; ') || 'nothing' }));
    this.loaded = true;
  }

  async write(path) {
    this.outTrouble = '';
    try {
      await download(await watched((request) => getAnswer(path, request)));
      await this.list();
    } catch (problem) {
      this.outTrouble = problem.message;
    }
  }

  async send(event) {
    const form = new FormData(event.target);
    const cameras = form.getAll('camera');
    if (!cameras.length) {
      this.outTrouble = 'Choose at least one camera';
      return;
    }
    const query = new URLSearchParams();
    cameras.forEach((camera) => query.append('camera', String(camera)));
    query.append('company', form.has('set') ? 'set' : 'carriers');
    query.append('frames', this.others ? this.sent.join('-') : this.frames);
    await this.write(`/api/shots/${this.shot}/export/glb?${query}`);
  }

  save() {
    return this.write(`/api/shots/${this.shot}/export/json`);
  }

  /** The chosen files, with where they go and what is asked for. */
  async form() {
    const form = new FormData();
    const files = [.../** @type {any} */ (this).$refs.file.files];
    files.forEach((file) => form.append('file', file));
    const whole = files.some((file) => file.name.toLowerCase().endsWith('.json'));
    if (!this.isNew && !whole) form.append('shot', this.shot);
    if (this.isNew && this.rate.trim()) form.append('rate', this.rate.trim());
    if (this.first.trim()) {
      const frame = Math.round(await readQuantity(this.first, 'frames', this.rate || '24'));
      form.append('firstFrame', String(frame));
    }
    return form;
  }

  async bring() {
    this.inTrouble = '';
    this.done = null;
    this.busy = true;
    try {
      const form = await this.form();
      const path = `/api/productions/${this.production}/imports`;
      this.done = await watched((request) => postJson(path, form, request));
      await this.list();
    } catch (problem) {
      this.inTrouble = problem.message;
    }
    this.busy = false;
  }
}

keepLoggedIn();
document.addEventListener('alpine:init', () => /** @type {any} */ (window).Alpine.data('handOff', () => new HandOff()));
