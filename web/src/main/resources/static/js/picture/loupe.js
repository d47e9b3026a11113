// The loupe: a part of the picture point for point, as it will be, beside the picture that is as large as the screen.
import { h } from '../common/dom.js';
import { Problem } from '../common/api.js';
import { heightPx } from '../shot/picture-frame.js';
import { Accumulation } from './accumulation.js';
import { BUDGET_MS, smoothed } from './exposing.js';

/** Pixels of the picture that it shows, across and down. */
export const LOUPE_PX = 200;

/** Drawings whose mean is a picture without blur: against jagged edges. */
const PLAIN_PASSES = 8;
const STEP_PX = 4;
const [LOWEST, LINEAR_END, GAMMA] = [0.0031308, 12.92, 2.4];

const WAYS = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };

/** Light as it is, to the numbers of a screen. */
const toScreen = (light) =>
  255 * (light <= LOWEST ? light * LINEAR_END : 1.055 * Math.min(1, light) ** (1 / GAMMA) - 0.055);

export class Loupe {
  /**
   * @param {import('./picture.js').Picture} picture
   * @param {HTMLElement} place over the picture
   */
  constructor(picture, place) {
    this.picture = picture;
    this.place = place;
    this.on = false;
    this.at = { x: 0.5, y: 0.5 };
    this.asked = 0;
    this.reached = 0;
    this.sums = null;
    this.canvas = /** @type {HTMLCanvasElement} */ (h('canvas', { width: LOUPE_PX, height: LOUPE_PX }));
    this.says = h('small', { role: 'status' });
    this.part = h('button', { type: 'button', class: 'loupe-part', 'aria-label': 'Part in the loupe: arrows move it' });
    place.replaceChildren(this.part, h('figure', {}, this.canvas, this.says));
    this.part.addEventListener('pointerdown', (event) => this.drag(event));
    this.part.addEventListener('keydown', (event) => this.step(event));
  }

  toggle(on = !this.on) {
    this.on = on;
    this.picture.ask();
    this.picture.desk.announce('layout');
  }

  /** Beside the Floor there is no room for it; several pictures have none either. */
  get isShown() {
    const { desk, several, store, canvas } = this.picture;
    return this.on && desk.view === 'floor' && !several.isShown && !store.ghosts.length && !canvas.hidden;
  }

  /** How large the picture is, in pixels. @returns {[number, number]} */
  get pixels() {
    const { picture, header } = this.picture.store;
    return [picture.widthPx, heightPx(picture, header.aspect)];
  }

  /** @returns {import('../shot/seen.js').Crop} */
  get crop() {
    const [w, high] = this.pixels;
    return { ...this.at, across: LOUPE_PX / w, up: LOUPE_PX / high };
  }

  /** Something moves: what is shown no longer holds. */
  stop() {
    this.asked++;
    this.place.hidden = !this.isShown;
    if (!this.isShown) return;
    this.layOut();
    this.place.classList.add('stale');
  }

  /** Frames the part in the picture, within it. */
  layOut() {
    const { w, h: high } = this.picture.size;
    const { across, up } = this.crop;
    const inside = (at, share) => (share >= 1 ? 0.5 : Math.min(1 - share / 2, Math.max(share / 2, at)));
    this.at = { x: inside(this.at.x, across), y: inside(this.at.y, up) };
    Object.assign(this.part.style, {
      left: `${(this.at.x - across / 2) * w}px`,
      top: `${(this.at.y - up / 2) * high}px`,
      width: `${across * w}px`,
      height: `${up * high}px`,
    });
    this.canvas.style.width = `${LOUPE_PX * this.picture.store.picture.pixelAspect}px`;
    this.place.classList.toggle('at-left', this.at.x > 0.5);
  }

  moveTo(x, y) {
    this.at = { x, y };
    this.stop();
    this.refine();
  }

  step(/** @type {KeyboardEvent} */ event) {
    const way = WAYS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const [w, high] = this.pixels;
    const by = event.shiftKey ? LOUPE_PX / 2 : STEP_PX;
    this.moveTo(this.at.x + (way[0] * by) / w, this.at.y + (way[1] * by) / high);
  }

  drag(/** @type {any} */ down) {
    if (down.button !== 0) return;
    down.stopPropagation();
    const { w, h: high } = this.picture.size;
    const from = { ...this.at };
    const abort = new AbortController();
    const move = (event) =>
      this.moveTo(from.x + (event.clientX - down.clientX) / w, from.y + (event.clientY - down.clientY) / high);
    addEventListener('pointermove', move, { signal: abort.signal });
    for (const name of ['pointerup', 'pointercancel'])
      addEventListener(name, () => abort.abort(), { signal: abort.signal });
  }

  /** At rest: draws it point for point, with the blur that there will be where the picture shows any. */
  async refine() {
    if (!this.isShown) return;
    const asked = ++this.asked;
    try {
      const passes = await this.passes();
      if (asked === this.asked) this.fill(passes, asked);
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.says.textContent = problem.message;
    }
  }

  /** What is to be drawn: for each pass the views whose mean it is. */
  async passes() {
    const { picture } = this;
    const { exposing } = picture;
    if (exposing.mode === 'off' || !exposing.able || picture.store.live)
      return { count: PLAIN_PASSES, views: () => picture.looks(), blurred: false };
    const parts = await exposing.parts(picture.seen());
    const views = (k) => parts.map(({ exposure, camera, share }) => ({ view: { ...exposure.pass(k), camera }, share }));
    return { count: exposing.passes, views, blurred: true };
  }

  fill({ count, views, blurred }, asked) {
    const { set } = this.picture;
    const { crop } = this;
    const [w, high] = this.pixels;
    this.sums ??= new Accumulation(set.renderer);
    this.sums.clear(LOUPE_PX, LOUPE_PX);
    this.reached = 0;
    const add = (k) => {
      for (const { view, share } of views(k)) {
        const pass = { ...smoothed(view, k, w, high), crop };
        this.sums.add(() => set.draw(pass, { fine: true, height: LOUPE_PX, besides: true }), share);
      }
    };
    const go = () => {
      if (asked !== this.asked) return;
      const until = performance.now() + BUDGET_MS;
      do add(this.reached++);
      while (this.reached < count && performance.now() < until);
      this.show(blurred ? `pass ${this.reached} of ${count}` : 'sharp and still');
      if (this.reached < count) requestAnimationFrame(go);
      else set.shadowsStale = true;
    };
    go();
  }

  /** Shows the mean of what was added up. @param {string} how it was, in words */
  show(how) {
    const sums = this.sums.read(0, 0, LOUPE_PX, LOUPE_PX);
    const image = new ImageData(LOUPE_PX, LOUPE_PX);
    for (let row = 0; row < LOUPE_PX; row++) {
      for (let column = 0; column < LOUPE_PX; column++) {
        const from = 4 * ((LOUPE_PX - 1 - row) * LOUPE_PX + column);
        const to = 4 * (row * LOUPE_PX + column);
        for (let c = 0; c < 3; c++) image.data[to + c] = toScreen(sums[from + c] / (sums[from + 3] || 1));
        image.data[to + 3] = 255;
      }
    }
    this.canvas.getContext('2d').putImageData(image, 0, 0);
    this.place.classList.remove('stale');
    const [w, high] = this.pixels;
    const at = `at ${Math.round(this.at.x * w)}, ${Math.round(this.at.y * high)} of ${w} × ${high} px`;
    this.says.textContent = `${at} · ${how}`;
  }

  dispose() {
    this.asked++;
    this.sums?.dispose();
  }
}
