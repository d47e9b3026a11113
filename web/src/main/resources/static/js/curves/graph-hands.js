// Hands on the graph: choosing, moving and scaling keys, dragging tangents, looking around.
import { s } from '../common/dom.js';
import { KeyChoice } from '../shot/key-choice.js';
import { keysOf } from '../shot/keys.js';
import { axisOf, parameterOf } from '../shot/parts.js';

const SNAP_PX = 7;
const MOVED_PX = 2;
const WHEEL = 0.0014;
const KEY_PX = 30;

export class GraphHands {
  constructor(graph) {
    this.graph = graph;
    this.svg = graph.svg;
    this.svg.addEventListener('pointerdown', (event) => this.press(event));
    this.svg.addEventListener('wheel', (event) => this.zoom(event), { passive: false });
    this.svg.addEventListener('keydown', (event) => this.key(event));
  }

  get store() {
    return this.graph.store;
  }

  get desk() {
    return this.graph.desk;
  }

  get scale() {
    return this.graph.scale;
  }

  local(event) {
    const box = this.svg.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }

  zoom(event) {
    event.preventDefault();
    const [x, y] = this.local(event);
    const factor = Math.exp((event.deltaY || event.deltaX) * WHEEL);
    const { axis, pane } = event.target.dataset;
    if (axis) this.scale.zoomValues(this.scale.pane(pane), factor, y, axis);
    else if (event.shiftKey) {
      const at = this.scale.paneAt(y);
      if (at) this.scale.zoomValues(at, factor, y);
    } else this.scale.zoomFrames(factor, x);
    this.graph.ask();
  }

  press(event) {
    if (event.button > 1) return;
    event.preventDefault();
    this.svg.focus({ preventScroll: true });
    const from = this.local(event);
    const { axis, pane, handle, pivot, ruler } = event.target.dataset;
    const gesture =
      event.button === 1
        ? this.panning(this.scale.paneAt(from[1]) ?? this.scale.panes[0], null)
        : axis
          ? this.panning(this.scale.pane(pane), axis)
          : handle
            ? this.dragging(handle)
            : pivot
              ? this.placingPivot()
              : ruler
                ? this.scrubbing()
                : this.onKeys(event, from);
    this.svg.setPointerCapture(event.pointerId);
    const drag = new AbortController();
    const { signal } = drag;
    let moved = false;
    gesture.start?.(from);
    this.svg.addEventListener(
      'pointermove',
      (e) => {
        const at = this.local(e);
        moved ||= Math.hypot(at[0] - from[0], at[1] - from[1]) > MOVED_PX;
        if (moved) gesture.move?.(at, from, e);
      },
      { signal },
    );
    this.svg.addEventListener(
      'pointerup',
      (e) => {
        drag.abort();
        if (moved) gesture.end?.(this.local(e), from, e);
        else gesture.click?.(e);
      },
      { signal },
    );
    this.svg.addEventListener(
      'pointercancel',
      () => {
        drag.abort();
        gesture.cancel?.();
        this.store.letGo();
      },
      { signal },
    );
  }

  panning(pane, axis) {
    let last = null;
    return {
      move: (at, from) => {
        const [x, y] = last ?? from;
        this.scale.pan(pane, at[0] - x, at[1] - y, axis);
        last = at;
        this.graph.ask();
      },
    };
  }

  scrubbing() {
    const go = ([x]) => this.desk.goTo(Math.max(this.desk.first(), Math.min(this.desk.last(), this.scale.frame(x))));
    return { start: go, move: (at) => go(at) };
  }

  placingPivot() {
    return {
      move: (at) => {
        this.graph.pivot = { frame: Math.round(this.scale.frame(at[0]) * 2) / 2, y: at[1] };
        this.graph.ask();
      },
    };
  }

  /** A tangent: the other side turns along, unless Alt is held. */
  dragging(handle) {
    const [id, channel, at, side] = handle.split(' ');
    const frame = Number(at);
    const pane = this.scale.pane('value');
    const key = keysOf(this.store.byId.get(id), channel).find((k) => Math.abs(k[0] - frame) < 1e-6);
    const way = side === 'in' ? -1 : 1;
    const edit = ([x, y], event) => ({
      edit: 'set-handle',
      id,
      channel,
      frame,
      side,
      alone: event.altKey,
      frames: Math.max(0.01, way * (this.scale.frame(x) - frame)),
      value: way * (this.scale.value(pane, axisOf(this.store.byId.get(id), channel), y) - key[1]),
    });
    return {
      move: (to, from, e) => this.store.show([edit(to, e)]),
      end: (to, from, e) => this.store.edit([edit(to, e)]),
    };
  }

  onKeys(event, from) {
    const hit = this.graph.nearest(from);
    if (!hit) return this.boxing(event.shiftKey);
    const choice = KeyChoice.of(hit.id, [hit.channel], [hit.frame]);
    const had = this.desk.chosen.has(hit.id, hit.channel, hit.frame);
    if (event.shiftKey) this.desk.chooseKeys(had ? this.desk.chosen.minus(choice) : this.desk.chosen.plus(choice));
    else if (!had) this.desk.chooseKeys(choice);
    const moving = this.graph.mode === 'scale' ? this.scaling(hit) : this.moving(hit);
    return {
      ...moving,
      click: () => {
        if (had && !event.shiftKey) this.desk.chooseKeys(choice);
      },
    };
  }

  /** Chooses the keys in a box. */
  boxing(add) {
    const start = add ? this.desk.chosen : new KeyChoice();
    const frame = s('rect', { class: 'box' });
    this.svg.append(frame);
    const box = (a, b) => [Math.min(a[0], b[0]), Math.min(a[1], b[1]), Math.max(a[0], b[0]), Math.max(a[1], b[1])];
    return {
      move: (at, from) => {
        const [x0, y0, x1, y1] = box(at, from);
        if (!frame.isConnected) this.svg.append(frame);
        for (const [name, value] of Object.entries({ x: x0, y: y0, width: x1 - x0, height: y1 - y0 }))
          frame.setAttribute(name, value);
      },
      end: (at, from) => {
        frame.remove();
        this.desk.chooseKeys(start.plus(this.inside(...box(at, from))));
      },
      click: () => {
        frame.remove();
        if (!add) this.desk.chooseKeys(null);
      },
      cancel: () => frame.remove(),
    };
  }

  inside(x0, y0, x1, y1) {
    const pane = this.scale.pane('value');
    const choices = this.graph.drawn
      .filter((c) => !c.dim && !c.locked)
      .map((curve) => {
        const frames = curve.keys
          .filter((k) => {
            const [x, y] = [this.scale.x(k[0]), this.scale.y(pane, curve.axis, k[1])];
            return x >= x0 && x <= x1 && y >= y0 && y <= y1;
          })
          .map((k) => k[0]);
        return frames.length ? KeyChoice.of(curve.id, [curve.channel], frames) : new KeyChoice();
      });
    return KeyChoice.union(choices);
  }

  /** Frames and values of keys that are not chosen, to snap to. */
  others(axis) {
    const frames = new Set();
    const values = new Set();
    for (const curve of this.graph.drawn)
      for (const k of curve.keys) {
        if (this.desk.chosen.has(curve.id, curve.channel, k[0])) continue;
        frames.add(k[0]);
        if (curve.axis === axis) values.add(k[1]);
      }
    return { frames: [...frames], values: [...values] };
  }

  /** Where the grabbed key is dragged to: [frame, value], snapped as is asked. */
  target(hit, at, from, event, others) {
    const pane = this.scale.pane('value');
    let [dx, dy] = [at[0] - from[0], at[1] - from[1]];
    if (event.shiftKey) {
      if (Math.abs(dx) > Math.abs(dy)) dy = 0;
      else dx = 0;
    }
    let frame = hit.frame + dx / this.scale.perFrame;
    let value = hit.value - dy * this.scale.perPixel(pane, hit.axis);
    if (this.graph.snapFrames && dx !== 0) frame = Math.round(frame);
    if (this.graph.snapKeys) {
      const near = (list, v, perPixel) => list.find((o) => Math.abs(o - v) * perPixel < SNAP_PX);
      frame = near(others.frames, frame, this.scale.perFrame) ?? frame;
      value = near(others.values, value, 1 / this.scale.perPixel(pane, hit.axis)) ?? value;
    }
    return [
      dx === 0 ? hit.frame : frame,
      dy === 0 ? hit.value : Number(value.toFixed(parameterOf(hit.node, hit.channel).digits + 1)),
    ];
  }

  moving(hit) {
    const start = this.desk.chosen;
    const others = this.others(hit.axis);
    const go = (at, from, event, done) => {
      const [frame, value] = this.target(hit, at, from, event, others);
      this.desk.chosen = start;
      return this.desk.work.moveKeys({ frames: frame - hit.frame, value: value - hit.value, axis: hit.axis, done });
    };
    return {
      move: (at, from, e) => {
        go(at, from, e, false);
        const [frame] = this.target(hit, at, from, e, others);
        this.desk.chosen = start.mapped((f) => f + frame - hit.frame);
      },
      end: (at, from, e) =>
        go(at, from, e, true).then((kept) => {
          if (!kept) this.desk.chooseKeys(start);
          else if (this.store.before) this.store.letGo();
        }),
      cancel: () => this.desk.chooseKeys(start),
    };
  }

  scaling(hit) {
    const pane = this.scale.pane('value');
    const start = this.desk.chosen;
    const pivot = this.graph.pivotAt(pane);
    if (!pivot) return this.moving(hit);
    const aboutFrame = Math.round(this.scale.frame(pivot[0]) * 2) / 2;
    const aboutValue = (axis) => this.scale.value(pane, axis, pivot[1]);
    const factor = (to, was, about) => (Math.abs(was - about) < 1e-6 ? 1 : (to - about) / (was - about));
    const others = this.others(hit.axis);
    const go = (at, from, event, done) => {
      const [frame, value] = this.target(hit, at, from, event, others);
      this.desk.chosen = start;
      return this.desk.work.scaleKeys({
        inTime: Math.max(0.01, factor(frame, hit.frame, aboutFrame)),
        inValue: factor(value, hit.value, aboutValue(hit.axis)),
        aboutFrame,
        aboutValue,
        snap: this.graph.snapFrames,
        done,
      });
    };
    return {
      move: (at, from, e) => go(at, from, e, false),
      end: (at, from, e) => go(at, from, e, true),
      cancel: () => this.desk.chooseKeys(start),
    };
  }

  /** Enter chooses the keys at the playhead; arrows look around, plus and minus zoom. */
  key(event) {
    const { desk, graph } = this;
    const [x, y] = { ArrowLeft: [1, 0], ArrowRight: [-1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key] ?? [0, 0];
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    if (event.key === 'Enter') {
      const here = graph
        .curves()
        .filter((c) => !c.dim && !c.locked)
        .map((c) => KeyChoice.of(c.id, [c.channel], [desk.frame]));
      desk.chooseKeys(KeyChoice.union(here).existing(this.store));
    } else if (event.key === '+' || event.key === '-') {
      this.scale.zoomFrames(event.key === '+' ? 0.8 : 1.25, this.scale.x(desk.frame));
    } else if (x || y) this.scale.pan(this.scale.pane('value'), x * KEY_PX, y * KEY_PX);
    else return;
    graph.ask();
    event.preventDefault();
    event.stopPropagation();
  }
}
