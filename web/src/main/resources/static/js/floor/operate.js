// Operate: driving the camera from inside its picture.

const ROLL_DEG_PER_PX = 0.15;
const WHEEL_M = 0.0025;
const WHEEL_ENDS_MS = 350;

export class Operate extends EventTarget {
  constructor(store, desk, view, canvas) {
    super();
    this.store = store;
    this.desk = desk;
    this.view = view;
    this.canvas = canvas;
    this.on = false;
    this.mode = 'turn';
    this.abort = new AbortController();
    const { signal } = this.abort;
    view.addEventListener('pointerdown', (event) => this.start(event), { signal });
    view.addEventListener('wheel', (event) => this.wheel(event), { signal, passive: false });
  }

  toggle(on = !this.on) {
    this.on = on;
    this.view.classList.toggle('operating', on);
    if (on && this.desk.camera) this.desk.select(this.desk.camera, 'keys');
    this.dispatchEvent(new Event('change'));
  }

  setMode(mode) {
    this.mode = mode;
    this.dispatchEvent(new Event('change'));
  }

  camera() {
    return this.store.byId.get(this.desk.camera) ?? null;
  }

  start(event) {
    const node = this.camera();
    if (!this.on || this.desk.picking || !node || event.button !== 0 || event.target.closest('button')) return;
    event.preventDefault();
    this.view.setPointerCapture(event.pointerId);
    const from = { x: event.clientX, y: event.clientY };
    const mode = event.altKey ? 'roll' : event.shiftKey ? 'shift' : this.mode;
    const lens = this.store.lens(node.id, this.desk.frame);
    const perPixel = lens.verticalDeg / this.canvas.clientHeight;
    const drag = new AbortController();
    const at = (e) => this.motion(mode, e.clientX - from.x, e.clientY - from.y, perPixel, lens.focusM);
    const move = (e) => this.apply(node, at(e), false);
    const end = (e) => {
      drag.abort();
      this.apply(node, at(e), true);
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
    if (mode === 'dolly') return { dolly: -dy * metresPerPixel * 2 };
    return { roll: dx * ROLL_DEG_PER_PX };
  }

  wheel(event) {
    const node = this.camera();
    if (!this.on || !node) return;
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

  apply(node, motion, done) {
    if (Object.values(motion).every((v) => v === 0)) return;
    const frame = this.desk.frame;
    this.desk.change(
      node,
      ['x', 'y', 'z', 'pan', 'tilt', 'roll'],
      (keying) => ({ edit: 'operate', id: node.id, frame, ...motion, keying }),
      { done },
    );
  }
}
