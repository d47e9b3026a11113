// The hands of somebody who walks: keys, the pointer and a game pad, gathered until they are asked for.
import { findPad, readPad } from './game-pad.js';

const DEG_PER_PX = 0.18; // with a lens that sees this high:
const AT_VERTICAL_DEG = 30;
const ZOOM_PER_PX = 0.0012;
const MOST_ZOOM = 4;
const TAKEN = ['w', 'a', 's', 'd', 'j', 'shift'];

const clamped = (value) => Math.max(-1, Math.min(1, value));

export class Hands {
  /** @param {HTMLElement} view the picture @param {() => number} verticalDeg how high the lens sees */
  constructor(view, verticalDeg) {
    this.view = view;
    this.verticalDeg = verticalDeg;
    this.on = false;
    this.held = new Set();
    this.letGo();
    const up = (event) => this.held.delete(event.key.toLowerCase());
    addEventListener('keyup', up, { capture: true });
    addEventListener('blur', () => this.held.clear());
    view.addEventListener('pointerdown', (event) => this.look(event));
    view.addEventListener('wheel', (event) => this.wheel(event), { passive: false });
  }

  /** The game pad that is there, or null. */
  get pad() {
    return findPad();
  }

  /** Forgets what was done; what is held down stays. */
  letGo() {
    this.turn = 0;
    this.tilt = 0;
    this.zoom = 1;
    this.jumps = false;
    this.askedAt = performance.now();
  }

  /** Whether a press of a key belongs to who walks. @param {KeyboardEvent} event */
  takes(event) {
    const key = event.key.toLowerCase();
    if (!this.on || !TAKEN.includes(key) || event.ctrlKey || event.metaKey || event.altKey) return false;
    if (key === 'j' && !event.repeat) this.jumps = true;
    this.held.add(key);
    return true;
  }

  look(event) {
    if (!this.on || event.button !== 0 || event.target.closest('button')) return;
    event.preventDefault();
    this.view.setPointerCapture(event.pointerId);
    const drag = new AbortController();
    let [x, y] = [event.clientX, event.clientY];
    const move = (e) => {
      const perPixel = (DEG_PER_PX * this.verticalDeg()) / AT_VERTICAL_DEG;
      this.turn -= (e.clientX - x) * perPixel;
      this.tilt -= (e.clientY - y) * perPixel;
      [x, y] = [e.clientX, e.clientY];
    };
    this.view.addEventListener('pointermove', move, { signal: drag.signal });
    for (const name of ['pointerup', 'pointercancel'])
      this.view.addEventListener(name, () => drag.abort(), { signal: drag.signal });
  }

  wheel(event) {
    if (!this.on) return;
    event.preventDefault();
    const zoom = this.zoom * Math.exp(-event.deltaY * ZOOM_PER_PX);
    this.zoom = Math.max(1 / MOST_ZOOM, Math.min(MOST_ZOOM, zoom));
  }

  /** What was done since it was last asked. */
  take() {
    const now = performance.now();
    const pad = readPad(this.pad, (now - this.askedAt) / 1000);
    const axis = (plus, minus) => Number(this.held.has(plus)) - Number(this.held.has(minus));
    const steering = {
      ahead: clamped(axis('w', 's') + pad.ahead),
      right: clamped(axis('d', 'a') + pad.right),
      hurries: this.held.has('shift') || pad.hurries,
      jumps: this.jumps || pad.jumps,
      turn: this.turn + pad.turn,
      tilt: this.tilt + pad.tilt,
      zoom: this.zoom * pad.zoom,
    };
    this.turn = 0;
    this.tilt = 0;
    this.zoom = 1;
    this.jumps = false;
    this.askedAt = now;
    return steering;
  }
}
