// What is asked for in the timing panel, kept while other panels are shown.
import { button, h } from '../common/dom.js';
import { NumberField } from './number-field.js';
import { row } from './fields.js';

export class TimingRequest {
  way = 'longer';
  of = 'all';
  from = null;
  to = null;
  points = null;
  factor = 1;
  by = 12;
  more = 240;
  where = 'end';
  ripple = false;
  markers = true;
  range = true;
  keepLength = true;
  hits = true;
  tolerance = '0.001';
  rate = '25';
  keep = 'time';
  whole = false;

  forDesk(store, desk, node) {
    this.store = store;
    this.desk = desk;
    this.node = node;
    this.followShot(store.header);
    return this;
  }

  /** A range that was the whole shot is the whole shot again when that gets longer or shorter. */
  followShot(header) {
    const whole = this.shot === undefined || (this.from === this.shot.in && this.to === this.shot.out);
    this.shot = { in: header.in, out: header.out };
    if (!whole || (this.from === header.in && this.to === header.out)) return;
    Object.assign(this, { from: header.in, to: header.out, points: null });
  }

  /** Asks for something else, and shows it. */
  change(values) {
    if ('from' in values || 'to' in values) this.points = null; // a ramp is drawn over the range
    Object.assign(this, values);
    this.desk.announce('layout');
  }

  /** The nodes meant; none for all. */
  ids() {
    if (this.of === 'all' || !this.node) return [];
    return this.of === 'one' ? [this.node.id] : [...this.store.carriersOf(this.node.id).map((n) => n.id), this.node.id];
  }

  retime(map, range) {
    return this.store.edit([
      { edit: 'retime', ids: this.ids(), map, landing: this.desk.landing, markers: this.markers, range },
    ]);
  }

  field(name, label, quantity = 'frames', unit = 'f', digits = 0, step = 1) {
    return new NumberField({
      label,
      quantity,
      unit,
      digits,
      step,
      rate: () => this.store.header.rate,
      get: () => this[name],
      set: (to, done) => {
        if (done) this.change({ [name]: digits ? to : Math.round(to) });
        return true;
      },
    });
  }

  check(name, text) {
    return h(
      'label',
      {},
      h('input', {
        type: 'checkbox',
        checked: this[name],
        onchange: (event) => this.change({ [name]: event.target.checked }),
      }),
      text,
    );
  }

  /** The row of the range, with its fields. */
  rangeRow() {
    const fields = [this.field('from', 'First frame of the range'), this.field('to', 'Last frame of the range')];
    const take = button(
      'From keys',
      () => {
        const f = this.desk.chosen.frames();
        if (f.length > 1) this.change({ from: f[0], to: f[f.length - 1] });
      },
      { title: 'Take the range of the chosen keys' },
    );
    return { fields, element: row('Range', ...fields.map((f) => f.element), take) };
  }
}
