// Hands on the plan: looking around, choosing, moving and turning what stands there.

export class PlanGestures {
  /** @param signal ends the listening */
  constructor(plan, signal) {
    this.plan = plan;
    plan.svg.addEventListener('pointerdown', (event) => this.press(event), { signal });
    plan.svg.addEventListener('wheel', (event) => this.zoom(event), { signal, passive: false });
  }

  /** Where in the plan the pointer is, in pixels. */
  local(event) {
    const box = this.plan.svg.getBoundingClientRect();
    return [event.clientX - box.left, event.clientY - box.top];
  }

  zoom(event) {
    event.preventDefault();
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
    const id = target.dataset.id;
    const turned = target.dataset.turn;
    const gesture = turned ? this.turning(turned, from) : id && event.button === 0 ? this.moving(id) : this.panning();
    let moved = false;
    this.plan.svg.addEventListener('pointermove', (e) => {
      const by = [e.clientX - from[0], e.clientY - from[1]];
      moved ||= Math.hypot(...by) > 3;
      if (moved) gesture.move(by, e, false);
    }, { signal });
    this.plan.svg.addEventListener('pointerup', (e) => {
      drag.abort();
      if (moved) gesture.move([e.clientX - from[0], e.clientY - from[1]], e, true);
      else if (id) this.plan.desk.select(id);
      else if (target.dataset.path) this.plan.desk.goTo(this.plan.nearestFrame(target.dataset.path, this.local(e)));
    }, { signal });
    this.plan.svg.addEventListener('pointercancel', () => { drag.abort(); this.plan.store.letGo(); }, { signal });
  }

  panning() {
    const centre = [...this.plan.centre];
    const up = this.plan.side === 'above' ? 1 : -1;
    return { move: ([dx, dy]) => { this.plan.centre = [centre[0] - dx * this.plan.metresPerPixel, centre[1] - up * dy * this.plan.metresPerPixel]; this.plan.ask('all'); } };
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
        this.plan.desk.change(node, ['x', 'y', 'z'], (keying) => ({ edit: 'move-in-world', id: node.id, frame, ...by, keying }), { done });
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
        this.plan.desk.change(node, ['pan', 'tilt', 'roll'], (keying) => ({ edit: 'move-in-world', id, frame, turn, keying }), { done });
      },
    };
  }
}
