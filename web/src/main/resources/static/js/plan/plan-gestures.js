// Hands on the plan: looking around, choosing, moving and turning what stands there; keys and tangents of paths.
import { POSE } from '../shot/parts.js';
import { KeyChoice } from '../shot/key-choice.js';

const KEY_PX = 30;

export class PlanGestures {
  /** @param signal ends the listening */
  constructor(plan, signal) {
    this.plan = plan;
    plan.svg.addEventListener('pointerdown', (event) => this.press(event), { signal });
    plan.svg.addEventListener('keydown', (event) => this.key(event), { signal });
    plan.svg.addEventListener('wheel', (event) => this.zoom(event), { signal, passive: false });
  }

  /** Arrows look around, with Shift they pan from outside; plus and minus zoom. */
  key(event) {
    const { plan } = this;
    const [x, y] = { ArrowLeft: [1, 0], ArrowRight: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key] ?? [0, 0];
    const zoom = { '+': 0.8, '-': 1.25 }[event.key];
    if (event.ctrlKey || event.altKey || !(x || y || zoom)) return;
    event.preventDefault();
    event.stopPropagation();
    if (plan.side === '3D') {
      if (zoom) plan.outside.zoom(zoom);
      else plan.outside[event.shiftKey ? 'pan' : 'orbit'](x * KEY_PX, y * KEY_PX);
    } else if (zoom) plan.metresPerPixel *= zoom;
    else
      plan.centre = [
        plan.centre[0] - x * KEY_PX * plan.metresPerPixel,
        plan.centre[1] - (plan.side === 'above' ? 1 : -1) * y * KEY_PX * plan.metresPerPixel,
      ];
    plan.ask('all');
  }

  /** Where in the plan the pointer is, in pixels. */
  local(event) {
    const box = this.plan.svg.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }

  zoom(event) {
    event.preventDefault();
    if (this.plan.side === '3D') {
      this.plan.outside.zoom(Math.exp(event.deltaY * 0.0012));
      this.plan.ask('all');
      return;
    }
    const at = this.local(event);
    const before = this.plan.fromScreen(at);
    this.plan.metresPerPixel = Math.max(0.002, Math.min(3, this.plan.metresPerPixel * Math.exp(event.deltaY * 0.0015)));
    const after = this.plan.fromScreen(at);
    this.plan.centre = [this.plan.centre[0] + before[0] - after[0], this.plan.centre[1] + before[1] - after[1]];
    this.plan.ask('all');
  }

  press(event) {
    if (event.button > 1) return;
    event.preventDefault();
    this.plan.svg.setPointerCapture(event.pointerId);
    const target = event.target;
    const from = [event.clientX, event.clientY];
    const drag = new AbortController();
    const { signal } = drag;
    const gesture = this.gesture(event, from);
    let moved = false;
    this.plan.svg.addEventListener(
      'pointermove',
      (e) => {
        const by = [e.clientX - from[0], e.clientY - from[1]];
        moved ||= Math.hypot(...by) > 3;
        if (moved) gesture.move(by, e, false);
      },
      { signal },
    );
    this.plan.svg.addEventListener(
      'pointerup',
      (e) => {
        drag.abort();
        if (moved) gesture.move([e.clientX - from[0], e.clientY - from[1]], e, true);
        else this.click(target, e);
      },
      { signal },
    );
    this.plan.svg.addEventListener(
      'pointercancel',
      () => {
        drag.abort();
        this.plan.store.letGo();
      },
      { signal },
    );
  }

  /** What a press on the plan begins. */
  gesture(event, from) {
    const { id, turn, key, handle } = event.target.dataset;
    if (event.button === 0 && key) return this.draggingKey(key);
    if (event.button === 0 && handle) return this.draggingTangent(handle);
    if (this.plan.side === '3D')
      return event.button === 1 || event.shiftKey ? this.lookingAround('pan') : this.lookingAround('orbit');
    if (this.plan.desk.picking) return this.panning();
    if (turn) return this.turning(turn, from);
    return id && event.button === 0 ? this.moving(id) : this.panning();
  }

  click(target, event) {
    const { id, path, key } = target.dataset;
    const { desk, store } = this.plan;
    if (key) {
      const [nodeId, frame] = key.split(' ');
      const choice = KeyChoice.of(nodeId, POSE, [Number(frame)]).existing(store);
      desk.chooseKeys(event.shiftKey ? desk.chosen.plus(choice) : choice);
      desk.goTo(Number(frame));
    } else if (id) desk.select(id);
    else if (path) desk.goTo(this.plan.layer.nearestFrame(path, this.local(event)));
    else if (this.plan.side === '3D') {
      const piece = this.plan.outside.pick(this.local(event));
      if (piece) desk.select(desk.picking ? piece : this.handled(piece));
    }
  }

  lookingAround(how) {
    let last = [0, 0];
    return {
      move: (by) => {
        this.plan.outside[how](by[0] - last[0], by[1] - last[1]);
        last = by;
        this.plan.ask('all');
      },
    };
  }

  /** A key of place dragged on its path: moved in the world at its own frame, timing kept. */
  draggingKey(key) {
    const [id, at] = key.split(' ');
    const frame = Number(at);
    const { store } = this.plan;
    const from = store.pose(id, frame);
    return this.dragging(from, (by) => ({ edit: 'move-in-world', id, frame, ...by, keying: 'touched' }));
  }

  draggingTangent(handle) {
    const [id, frame, side] = handle.split(' ');
    const { path } = this.plan.store.motion.get(id);
    const i = [...path.keys()].find((n) => n % 10 === 0 && path[n] === Number(frame));
    const j = i + (side === 'in' ? 1 : 7);
    const end = { x: path[j], y: path[j + 1], z: path[j + 2] };
    return this.dragging(end, (by, event) => ({
      edit: 'turn-tangent',
      id,
      frame: Number(frame),
      side,
      ...by,
      alone: event.shiftKey,
    }));
  }

  dragging(from, make) {
    const { store } = this.plan;
    const round = (v) => Math.round(v * 1000) / 1000;
    return {
      move: (pixels, event, done) => {
        const by = this.plan.drag(from, pixels, event.altKey);
        const edits = [make({ dx: round(by.dx), dy: round(by.dy), dz: round(by.dz) }, event)];
        if (done) store.edit(edits);
        else store.show(edits);
      },
    };
  }

  panning() {
    const centre = [...this.plan.centre];
    const up = this.plan.side === 'above' ? 1 : -1;
    return {
      move: ([dx, dy]) => {
        this.plan.centre = [centre[0] - dx * this.plan.metresPerPixel, centre[1] - up * dy * this.plan.metresPerPixel];
        this.plan.ask('all');
      },
    };
  }

  /** A piece that is part of a set moves the set, unless it is the chosen one. */
  handled(id) {
    if (id === this.plan.desk.selected) return id;
    const carriers = this.plan.store.carriersOf(id);
    if (carriers.some((n) => n.id === this.plan.desk.selected)) return this.plan.desk.selected;
    return id;
  }

  moving(id) {
    const node = this.plan.store.byId.get(this.handled(id));
    if (node.id !== this.plan.desk.selected) this.plan.desk.select(node.id);
    const frame = this.plan.desk.frame;
    const round = (v) => Math.round(v * 1000) / 1000;
    return {
      move: ([dx, dy], event, done) => {
        const a = round(dx * this.plan.metresPerPixel);
        const b = round(dy * this.plan.metresPerPixel);
        const by = this.plan.side === 'above' ? { dx: a, dz: b } : { dz: a, dy: -b };
        this.plan.desk.change(
          node,
          ['x', 'y', 'z'],
          (keying) => ({ edit: 'move-in-world', id: node.id, frame, ...by, keying }),
          { done },
        );
      },
    };
  }

  turning(id, from) {
    const node = this.plan.store.byId.get(id);
    const frame = this.plan.desk.frame;
    const box = this.plan.svg.getBoundingClientRect();
    const [cx, cy] = this.plan.toScreen(this.plan.plane(this.plan.store.pose(id, frame)));
    const angle = (x, y) => Math.atan2(x - box.left - cx, y - box.top - cy);
    const start = angle(...from);
    return {
      move: (by, event, done) => {
        let turn = ((angle(event.clientX, event.clientY) - start) * 180) / Math.PI;
        turn = Math.round((((turn + 540) % 360) - 180) * 100) / 100;
        this.plan.desk.change(
          node,
          ['pan', 'tilt', 'roll'],
          (keying) => ({ edit: 'move-in-world', id, frame, turn, keying }),
          { done },
        );
      },
    };
  }
}
