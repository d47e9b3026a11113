// The picture as it will be: quick while something moves, and at rest filled up with passes over iris and open shutter.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { Problem } from '../common/api.js';
import { fetchExposure } from '../shot/exposures.js';
import { poseWhileOpen } from '../shot/open-shutter.js';
import { isOn, lensOf, partOf } from '../shot/parts.js';
import { seenBy } from '../shot/seen.js';
import { lookThrough } from '../solids/look-through.js';
import { Accumulation, canAccumulate } from './accumulation.js';
import { FastBlur } from './fast-blur.js';

/** What is shown of focus and shutter. */
export const BLURS = ['off', 'fast', 'true'];

/** How many passes may be asked for. */
export const PASSES = [16, 32, 64, 128, 256];

const KEPT = 'idle-lens-blur';
export const BUDGET_MS = 24;
const SMOOTH_PX = 1;

/** What this browser was set to last. */
function kept() {
  try {
    return JSON.parse(localStorage.getItem(KEPT) ?? '{}');
  } catch {
    return {}; // nothing can be kept here
  }
}

/** @typedef {{exposure: import('../shot/exposures.js').Exposure, camera: string, share: number}} ExposedPart */

/** A pass moved by a part of a point, another for each, so that edges have no steps. */
export function smoothed(pass, k, width, height) {
  const part = (by) => SMOOTH_PX * (((0.5 + k * by) % 1) - 0.5);
  const { across, up, right, above } = pass.seen;
  const seen = {
    ...pass.seen,
    right: right + (2 * across * part(0.7548776662)) / width,
    above: above + (2 * up * part(0.569840291)) / height,
  };
  return { ...pass, seen };
}

/** Event: 'change', of the mode or of the passes that are reached. */
export class Exposing extends EventTarget {
  /** @param {import('./set-view.js').SetView} set */
  constructor(store, desk, set) {
    super();
    this.store = store;
    this.desk = desk;
    this.set = set;
    this.able = canAccumulate(set.renderer);
    this.accumulation = new Accumulation(set.renderer);
    this.fast = new FastBlur(set.renderer);
    this.viewer = new THREE.PerspectiveCamera();
    const { mode, passes } = kept();
    // without a graphics card there is hardly time for it
    this.mode = BLURS.includes(mode) ? mode : set.software ? 'off' : 'true';
    this.passes = PASSES.includes(passes) ? passes : 64;
    this.reached = 0;
    this.asked = 0;
    /** @type {Promise<ExposedPart[]> | null} */
    this.known = null;
    this.trouble = '';
  }

  /** @param {{mode?: string, passes?: number}} to */
  setTo(to) {
    Object.assign(this, to);
    try {
      localStorage.setItem(KEPT, JSON.stringify({ mode: this.mode, passes: this.passes }));
    } catch {
      // it holds for this page
    }
    this.stop();
  }

  announce() {
    this.dispatchEvent(new Event('change'));
  }

  /** Something moves: what was filled up is let go. */
  stop() {
    this.asked++;
    this.known = null;
    this.reached = 0;
    this.trouble = '';
    this.announce();
  }

  /**
   * Draws at once, with blur as it can be had in one drawing of each camera, where that is wanted.
   *
   * @param {{view: any, lens: any, camera: string, share: number}[]} looks one camera, or two while one fades in
   */
  draw(looks, how) {
    if (looks.length === 1 || !this.able) {
      this.drawOne(looks.at(-1), how);
      return;
    }
    const { x, y } = this.set.renderer.getDrawingBufferSize(new THREE.Vector2());
    this.accumulation.clear(x, y);
    for (const one of looks) this.accumulation.add(() => this.drawOne(one, how), one.share);
    this.accumulation.show();
  }

  drawOne(one, how) {
    const draw = () => this.set.draw(one.view, how);
    if (this.mode === 'off') draw();
    else this.fast.draw(draw, this.set.camera, one.lens, { ...this.shutterOf(one), plated: this.isPlated(one) });
  }

  /** Whether a backplate lies behind all that a camera sees. */
  isPlated({ camera }) {
    const plate = partOf(this.store.byId.get(camera), 'backplate');
    return Boolean(plate?.pictures && isOn(plate)) && plate.lies !== 'over';
  }

  /** From the world into the picture, as the shutter opens and closes. */
  shutterOf({ view, lens, camera }) {
    const opens = lensOf(this.store.byId.get(camera))?.shutterOpens;
    const poses = poseWhileOpen(view.state, camera, view.frame, opens);
    if (!poses) return { open: null, close: null };
    const into = (pose) => {
      lookThrough(this.viewer, pose, seenBy(lens));
      return this.viewer.projectionMatrix.clone().multiply(this.viewer.matrixWorldInverse);
    };
    return { open: into(poses.open), close: into(poses.close) };
  }

  /** Shows again what is filled up so far, where something else was drawn over it; tells whether there is anything. */
  showAgain() {
    if (this.reached > 0) this.accumulation.show();
    return this.reached > 0;
  }

  /** Whether the picture of what is there now can be filled up. */
  canRefine() {
    return this.mode === 'true' && this.able && !this.store.live && !this.store.ghosts.length;
  }

  /**
   * Fills the picture up, a few passes in each frame of the screen, until something else is asked for.
   *
   * @param {{camera: string, share: number}[]} seen one camera, or two while one fades in over the other
   */
  async refine(seen) {
    const asked = ++this.asked;
    try {
      const parts = await this.parts(seen);
      if (asked === this.asked) this.fill(parts, asked);
    } catch (problem) {
      if (!(problem instanceof Problem)) throw problem;
      this.trouble = problem.message;
      this.announce();
    }
  }

  /**
   * The passes of the frame, asked of the server once until something moves.
   *
   * @param {{camera: string, share: number}[]} seen
   * @returns {Promise<ExposedPart[]>}
   */
  parts(seen) {
    const { frame } = this.desk;
    const { passes } = this;
    const one = async ({ camera, share }) => {
      const exposure = await fetchExposure(this.store, { camera, frame, passes });
      return { exposure, camera, share };
    };
    this.known ??= Promise.all(seen.map(one));
    return this.known;
  }

  /** @param {ExposedPart[]} parts */
  fill(parts, asked) {
    const { x, y } = this.set.renderer.getDrawingBufferSize(new THREE.Vector2());
    this.accumulation.clear(x, y);
    const add = (k) => {
      for (const { exposure, camera, share } of parts) {
        const pass = { ...smoothed(exposure.pass(k), k, x, y), camera };
        this.accumulation.add(() => this.set.draw(pass, { fine: true, height: y, besides: true }), share);
      }
    };
    const go = () => {
      if (asked !== this.asked) return;
      const until = performance.now() + BUDGET_MS;
      do add(this.reached++);
      while (this.reached < this.passes && performance.now() < until);
      this.accumulation.show();
      this.announce();
      if (this.reached < this.passes) requestAnimationFrame(go);
      else this.set.shadowsStale = true; // they are those of the last moment
    };
    go();
  }

  dispose() {
    this.stop();
    this.accumulation.dispose();
    this.fast.dispose();
  }
}
