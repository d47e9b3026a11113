// Hands on the plan: looking around, choosing, moving and turning what stands there; keys and tangents of paths.
import { KeyChoice } from '../shot/key-choice.js';
import { keyFrames } from '../shot/keys.js';
import { PLACE, POSE } from '../shot/parts.js';
import { turningAbout } from './axis-ring.js';
import { RailGestures } from './rail-gestures.js';
import { Takes } from './takes.js';

const KEY_PX = 30;
const DRAG_STARTS_PX = 3;
const TURNING = ['turn', 'axis'];

export class PlanGestures {
  /** @param signal ends the listening */
  constructor(plan, signal) {
    this.plan = plan;
    this.takes = new Takes(plan);
    this.rails = new RailGestures(plan);
    this.pointer = null; // where it hovers
    this.held = false; // whether something is in hand
    plan.svg.addEventListener('pointerdown', (event) => this.press(event), { signal });
    plan.svg.addEventListener('pointermove', (event) => this.hover(event), { signal });
    plan.svg.addEventListener('pointerleave', () => this.leave(), { signal });
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

  /** What a press would take is shown while the pointer is over the plan. */
  hover(event) {
    if (this.held || event.buttons) return;
    this.pointer = [event.clientX, event.clientY];
    this.showTake();
  }

  showTake() {
    if (this.pointer && !this.held) this.takes.show(this.takes.at(...this.pointer));
  }

  leave() {
    this.pointer = null;
    if (!this.held) this.takes.show(null);
  }

  press(event) {
    if (event.button > 1) return;
    event.preventDefault();
    this.plan.svg.setPointerCapture(event.pointerId);
    const from = [event.clientX, event.clientY];
    const take = event.button === 0 ? this.takes.at(...from) : null;
    this.takes.show(take);
    const gesture = this.gesture(event, take, from);
    const drag = new AbortController();
    const { signal } = drag;
    let moved = false;
    this.held = true;
    const end = () => {
      drag.abort();
      this.held = false;
    };
    const move = (e, done) => {
      const by = [e.clientX - from[0], e.clientY - from[1]];
      moved ||= Math.hypot(...by) > DRAG_STARTS_PX;
      if (moved) gesture.move(by, e, done);
    };
    const release = (e) => {
      end();
      move(e, true);
      if (gesture.end) gesture.end();
      else if (!moved) this.click(take, e);
    };
    const cancel = () => {
      end();
      this.plan.store.letGo();
    };
    const { svg } = this.plan;
    svg.addEventListener('pointermove', (e) => move(e, false), { signal });
    svg.addEventListener('pointerup', release, { signal });
    svg.addEventListener('pointercancel', cancel, { signal });
  }

  /** What a press on the plan begins. */
  gesture(event, take, from) {
    const { desk, side } = this.plan;
    if (desk.rails.drawing && event.button === 0 && side !== '3D') return this.rails.drawing(event);
    const anywhere = take && this.onAnySide(take, from);
    if (anywhere) return anywhere;
    if (side === '3D')
      return event.button === 1 || event.shiftKey ? this.lookingAround('pan') : this.lookingAround('orbit');
    if (desk.picking || !take) return this.panning();
    if (take.kind === 'turn') return this.turning(take.name, from);
    if (take.kind === 'path') return this.isSelected(take.name) ? this.draggingPath(take.name, from) : this.panning();
    return this.moving(take.name);
  }

  /** What can be taken from above, from the side and from outside alike. @param {any} take @param {any} from */
  onAnySide({ kind, name }, from) {
    if (kind === 'handle') return this.draggingTangent(name);
    if (kind === 'key') return this.draggingKeys(name);
    if (kind === 'axis') return turningAbout(this.plan, name, from);
    return this.rails.gesture({ kind, name });
  }

  isSelected(id) {
    return this.plan.desk.selection().includes(id);
  }

  click(take, event) {
    const { desk } = this.plan;
    if (this.rails.click(take, event, this.local(event))) return;
    if (take?.kind === 'key' || take?.kind === 'handle') this.chooseKey(take.name, event.shiftKey);
    else if (take?.kind === 'path') desk.goTo(this.plan.layer.nearestFrame(take.name, this.local(event)));
    else if (take && !TURNING.includes(take.kind)) this.selectNode(take.name, event);
    else if (this.plan.side === '3D') {
      const piece = this.plan.outside.pick(this.local(event));
      if (piece) desk.select(desk.picking ? piece : this.handled(piece));
    }
  }

  /** With Shift or Ctrl, one more or one less. */
  selectNode(id, event) {
    const { desk } = this.plan;
    if ((event.shiftKey || event.ctrlKey || event.metaKey) && !desk.picking) desk.selectMore(id);
    else desk.select(id);
  }

  chooseKey(name, more) {
    const { desk, store } = this.plan;
    const [id, at] = name.split(' ');
    const choice = KeyChoice.of(id, POSE, [Number(at)]).existing(store);
    const had = desk.chosen.hasAny(id, POSE, Number(at));
    if (more) desk.chooseKeys(had ? desk.chosen.minus(choice) : desk.chosen.plus(choice));
    else desk.chooseKeys(choice);
    desk.goTo(Number(at));
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

  /** Keys of place dragged on their path: moved in the world at their own frames, timing kept. */
  draggingKeys(key) {
    const [id, at] = key.split(' ');
    const frame = Number(at);
    const { desk, store } = this.plan;
    const together = this.placeFrames(id).filter((f) => desk.chosen.hasAny(id, PLACE, f));
    const frames = together.includes(frame) ? together : [frame];
    return this.dragging(store.pose(id, frame), (by) => ({ edit: 'move-path', id, frames, ...by }));
  }

  placeFrames(id) {
    return keyFrames(this.plan.store.byId.get(id), PLACE).map((k) => k.frame);
  }

  /** The line itself, dragged: all of the path moves. */
  draggingPath(id, from) {
    const box = this.plan.svg.getBoundingClientRect();
    const frame = this.plan.layer.nearestFrame(id, [from[0] - box.left, from[1] - box.top]);
    const start = this.plan.store.pose(id, frame);
    return this.dragging(start, (by) => ({ edit: 'move-path', id, frames: [], ...by }));
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
      alone: event.altKey,
    }));
  }

  dragging(from, make) {
    const { store } = this.plan;
    const round = (v) => Math.round(v * 1000) / 1000;
    return {
      move: (pixels, event, done) => {
        const by = this.plan.drag(from, pixels, event.shiftKey);
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
    const selection = this.plan.desk.selection();
    if (selection.includes(id)) return id;
    return this.plan.store.carriersOf(id).find((n) => selection.includes(n.id))?.id ?? id;
  }

  /** A node dragged: its pose at the playhead; with all its keys chosen, its whole path. */
  moving(id) {
    const whole = this.placeFrames(id);
    if (whole.length > 1 && whole.every((f) => this.plan.desk.chosen.hasAny(id, PLACE, f)))
      return this.dragging(this.plan.store.pose(id, this.plan.desk.frame), (by) => ({
        edit: 'move-path',
        id,
        frames: [],
        ...by,
      }));
    const node = this.plan.store.byId.get(this.handled(id));
    if (!this.plan.desk.selection().includes(node.id)) this.plan.desk.select(node.id);
    const nodes = this.plan.desk.topSelection().map((each) => this.plan.store.byId.get(each));
    const frame = this.plan.desk.frame;
    const round = (v) => Math.round(v * 1000) / 1000;
    return {
      move: ([dx, dy], event, done) => {
        const a = round(dx * this.plan.metresPerPixel);
        const b = round(dy * this.plan.metresPerPixel);
        const by = this.plan.side === 'above' ? { dx: a, dz: b } : { dz: a, dy: -b };
        this.plan.desk.changeAll(
          nodes,
          ['x', 'y', 'z'],
          (each, keying) => ({ edit: 'move-in-world', id: each.id, frame, ...by, keying }),
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
