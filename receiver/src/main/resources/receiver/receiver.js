// Plays a camera that was handed over, over the plates that came along, and says whether it sticks to them.
import { WebGLRenderer } from 'three';
import { rows, strip } from './drawing.js';
import { plateAddress, plates } from './plates.js';
import { fetchedNames, opened } from './reading.js';
import { measured, verdict } from './sticking.js';
import { View } from './view.js';

/** @import { Told } from './plates.js' */
/** @import { Held } from './sticking.js' */

const READ = /\.(glb|dae)$/i;

/**
 * @param {string} id
 * @returns {any} an element of the page
 */
const $ = (id) => document.getElementById(id);

/**
 * @param {string[]} words
 * @returns {HTMLOptionElement[]} whose values are their numbers
 */
const numbered = (words) => words.map((word, i) => new Option(word, String(i)));

/**
 * @param {'good' | 'bad' | ''} kind
 * @param {string} words
 */
function say(kind, words) {
  $('verdict').className = kind;
  $('verdict').textContent = words;
}

/** @param {boolean} ready whether there is a picture to work with */
function enable(ready) {
  ['camera', 'play', 'frame', 'text', 'mark', 'mix'].forEach((id) => ($(id).disabled = !ready));
}

class Receiver {
  /** @type {Told | null} */
  told = null;
  /** @type {Held[][]} */
  found = [];
  frame = 0;
  /** What was asked for last; who finds another number here is not waited for any more. */
  asked = 0;

  async start() {
    const names = await fetchedNames();
    const files = names.filter((n) => READ.test(n));
    if (!files.length) throw new Error('No .glb or .dae was handed over');
    this.told = await plates(names);
    this.renderer = new WebGLRenderer({ canvas: $('picture'), alpha: true, antialias: true });
    $('file').replaceChildren(...files.map((n) => new Option(n, n)));
    $('mark').replaceChildren(...numbered((this.told?.marks ?? []).map((m, i) => `mark ${i + 1}, ${m.colour}`)));
    $('file').onchange = () => this.open($('file').value);
    this.listen();
    await this.open(files[0]);
  }

  listen() {
    $('camera').onchange = () => this.chooseCamera();
    $('frame').oninput = () => this.show(Number($('frame').value));
    $('text').oninput = $('mark').onchange = () => this.placeCard();
    $('mix').oninput = () => this.show(this.frame);
    $('play').onclick = () => this.play();
  }

  /** @param {string} name of a file */
  async open(name) {
    const turn = ++this.asked;
    this.found = [];
    enable(false);
    say('', 'Reading…');
    const read = await this.trying(turn, () => opened(name));
    if (!read) return;
    this.view = new View(this.renderer, read, this.told);
    this.frame = this.view.first;
    Object.assign($('frame'), { min: this.view.first, max: this.view.last, value: this.frame });
    $('camera').replaceChildren(...numbered(this.view.names));
    enable(true);
    await this.chooseCamera();
  }

  /**
   * Waits for what is asked for, and says why if it fails.
   *
   * @template T
   * @param {number} turn in which it was asked for
   * @param {() => Promise<T>} work
   * @returns {Promise<T | null>} null if it failed, or something else was asked for meanwhile
   */
  async trying(turn, work) {
    try {
      const done = await work();
      return turn === this.asked ? done : null;
    } catch (problem) {
      if (turn === this.asked) say('bad', problem.message);
      return null;
    }
  }

  async chooseCamera() {
    this.view.choose(Number($('camera').value));
    this.placeCard();
    await this.measure();
  }

  placeCard() {
    const mark = this.told?.marks[Number($('mark').value)];
    if (mark) this.view.place($('text').value, mark.at);
    this.show(this.frame);
  }

  /** @param {number} frame */
  show(frame) {
    this.frame = frame;
    $('frame').value = String(frame);
    $('where').textContent = `frame ${frame}`;
    if (this.told) $('plate').src = plateAddress(frame);
    this.view.draw(frame, this.told ? Number($('mix').value) : 1);
    this.tell();
  }

  tell() {
    const colours = this.told?.marks.map((m) => m.colour) ?? [];
    $('marks').replaceChildren(...rows(this.found[this.frame - this.view.first] ?? [], colours));
    $('strip').innerHTML = strip(this.found, this.view, this.frame);
  }

  async measure() {
    const turn = ++this.asked;
    this.found = [];
    delete document.body.dataset.good;
    if (!this.told) return say('', 'No plates came along: only the camera and its set are shown.');
    say('', 'Holding the marks against the plates…');
    const found = await this.trying(turn, () => measured(this.view, this.told, () => turn === this.asked));
    if (!found) return;
    this.found = found;
    this.judge();
    this.show(this.frame);
  }

  judge() {
    const { good, inside, there, most } = verdict(this.found, this.told);
    const off = `${most.toFixed(2)} px off`;
    const where = there
      ? `${there} of ${inside} frames have a mark where it should be, up to ${off}`
      : `no mark is near where it should be, on any of ${this.told.count} frames`;
    const words = good ? `It sticks: on ${there} frames no mark is more than ${off}.` : `It does not stick: ${where}.`;
    say(good ? 'good' : 'bad', `${words} The plates are those of ${this.told.camera}.`);
    Object.assign(document.body.dataset, { most: String(most), good: String(good) });
  }

  play() {
    const isPlaying = $('play').textContent === 'Pause';
    $('play').textContent = isPlaying ? 'Play' : 'Pause';
    cancelAnimationFrame(this.step);
    if (isPlaying) return;
    const from = performance.now();
    const start = this.frame - this.view.first;
    const step = () => {
      const passed = Math.floor(((performance.now() - from) / 1000) * this.view.rate);
      const frame = this.view.first + ((start + passed) % this.view.count);
      if (frame !== this.frame) this.show(frame);
      this.step = requestAnimationFrame(step);
    };
    this.step = requestAnimationFrame(step);
  }
}

try {
  await new Receiver().start();
} catch (problem) {
  say('bad', problem.message);
}
document.body.dataset.ready = 'true';
