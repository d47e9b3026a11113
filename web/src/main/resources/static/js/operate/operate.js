// Operate: driving the camera, or a carrier of it, from inside its picture; or walking the set with it.
import { aimedAt, targetPlace } from '../shot/targets.js';
import { outOf } from '../shot/samples.js';
import { reachOf, turnOf } from '../shot/seen.js';

const ROLL_DEG_PER_PX = 0.15;
const ORBIT_DEG_PER_PX = 0.35;
const FARTHEST_PIVOT_M = 60;
const WHEEL_M = 0.0025;
const WHEEL_ENDS_MS = 350;

export class Operate extends EventTarget {
  constructor(store, desk, { view, canvas, walk }) {
    super();
    this.store = store;
    this.desk = desk;
    this.view = view;
    this.canvas = canvas;
    this.walk = walk;
    this.on = false;
    this.mode = 'turn';
    this.abort = new AbortController();
    const { signal } = this.abort;
    view.addEventListener('pointerdown', (event) => this.start(event), { signal });
    view.addEventListener('wheel', (event) => this.wheel(event), { signal, passive: false });
    walk.addEventListener('change', () => this.followWalk(), { signal });
  }

  toggle(on = !this.on) {
    this.on = on;
    this.view.classList.toggle('operating', on);
    if (!on) this.walk.stop();
    this.dispatchEvent(new Event('change'));
  }

  setMode(mode) {
    this.mode = mode;
    if (mode === 'walk') this.walk.start();
    else this.walk.stop();
    this.dispatchEvent(new Event('change'));
  }

  /** Who begins to walk operates; who ends it turns the camera again. */
  followWalk() {
    if (this.walk.on === (this.on && this.mode === 'walk')) return;
    this.on ||= this.walk.on;
    this.view.classList.toggle('operating', this.on);
    this.mode = this.walk.on ? 'walk' : 'turn';
    this.dispatchEvent(new Event('change'));
  }

  /** What is driven: the selected carrier of the camera in the picture, or that camera itself. */
  driven() {
    const { desk, store } = this;
    const carrier = store.carriersOf(desk.camera).find((node) => node.id === desk.selected);
    return carrier ?? store.byId.get(desk.camera) ?? null;
  }

  /** What is orbited: the selection, or what the camera focuses on where its own rig is selected. */
  pivot() {
    const { desk, store } = this;
    const rig = store.rigOf(desk.camera).map((node) => node.id);
    if (desk.selected && !rig.includes(desk.selected)) {
      const { node, point } = aimedAt(store, desk.selected);
      return targetPlace(store, { node, point }, desk.frame);
    }
    const { focusM } = store.lens(desk.camera, desk.frame);
    const at = outOf(store.pose(desk.camera, desk.frame), [0, 0, -Math.min(FARTHEST_PIVOT_M, focusM)]);
    return [at.x, at.y, at.z];
  }

  start(event) {
    const node = this.driven();
    if (!this.on || this.walk.on || this.desk.picking || !node || event.button !== 0 || event.target.closest('button'))
      return;
    event.preventDefault();
    this.view.setPointerCapture(event.pointerId);
    const from = { x: event.clientX, y: event.clientY };
    const mode = event.altKey ? 'roll' : event.shiftKey ? 'shift' : this.mode;
    const lens = this.store.lens(this.desk.camera, this.desk.frame);
    const about = mode === 'orbit' ? this.pivot() : null;
    const perPixel = turnOf(lens) / this.canvas.clientHeight;
    const drag = new AbortController();
    const at = (e) => this.motion(mode, e.clientX - from.x, e.clientY - from.y, perPixel, reachOf(lens));
    const move = (e) => this.apply(node, at(e), false, about);
    const end = (e) => {
      drag.abort();
      this.apply(node, at(e), true, about);
    };
    this.view.addEventListener('pointermove', move, { signal: drag.signal });
    this.view.addEventListener('pointerup', end, { signal: drag.signal });
    this.view.addEventListener(
      'pointercancel',
      () => {
        drag.abort();
        this.store.letGo();
      },
      { signal: drag.signal },
    );
  }

  /** What a drag of so many pixels means: the picture follows the hand. */
  motion(mode, dx, dy, degreesPerPixel, focusM) {
    const metresPerPixel = Math.min(60, focusM) * Math.tan((degreesPerPixel * Math.PI) / 180);
    if (mode === 'turn') return { pan: dx * degreesPerPixel, tilt: dy * degreesPerPixel };
    if (mode === 'shift') return { truck: -dx * metresPerPixel, pedestal: dy * metresPerPixel };
    if (mode === 'orbit') return { across: -dx * ORBIT_DEG_PER_PX, up: dy * ORBIT_DEG_PER_PX };
    if (mode === 'dolly') return { dolly: -dy * metresPerPixel * 2 };
    return { roll: dx * ROLL_DEG_PER_PX };
  }

  wheel(event) {
    const node = this.driven();
    if (!this.on || this.walk.on || !node) return;
    event.preventDefault();
    this.wheeled = (this.wheeled ?? 0) - event.deltaY * WHEEL_M;
    this.apply(node, { dolly: this.wheeled }, false);
    clearTimeout(this.wheelEnd);
    this.wheelEnd = setTimeout(() => {
      const dolly = this.wheeled;
      this.wheeled = 0;
      this.apply(node, { dolly }, true);
    }, WHEEL_ENDS_MS);
  }

  /** @param {number[] | null} about the place that is orbited, if one is */
  apply(node, motion, done, about = null) {
    if (Object.values(motion).every((v) => v === 0)) return;
    const frame = this.desk.frame;
    this.desk.change(
      node,
      ['x', 'y', 'z', 'pan', 'tilt', 'roll'],
      (keying) => ({
        ...(about ? { edit: 'orbit', about } : { edit: 'operate' }),
        id: node.id,
        frame,
        ...motion,
        keying,
      }),
      { done },
    );
  }
}
