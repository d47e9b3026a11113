// A take is rolled: it counts in, records while the shot plays, and ends at the last frame or when it is cut.
import { Problem } from '../common/api.js';
import { framesPerSecond } from '../common/format.js';
import { toast } from '../common/toasts.js';

const LATE_S = 0.1; // what is on its way when the last frame is over still arrives
const ASLEEP_MS = 4000; // without a drawing, as when the window was hidden

/** Events: 'change' (its state, or its settings), 'tick' (time went on). */
export class Roll extends EventTarget {
  /**
   * @param {import('../shot/takes.js').Takes} takes
   * @param {{walk: import('./walk.js').Walk, tracker: import('./tracker-link.js').TrackerLink}} sources
   */
  constructor(store, desk, takes, sources) {
    super();
    this.store = store;
    this.desk = desk;
    this.takes = takes;
    this.sources = sources;
    this.by = 'walk';
    this.countIn = 2;
    this.from = null; // punched in here; the first frame of the shot where it is null
    this.to = null;
    this.blend = 0;
    this.becomes = '';
    this.state = 'off'; // counting, rolling, keeping
    sources.walk.addEventListener('change', () => {
      if (!sources.walk.on && this.by === 'walk') this.cut(); // what was walked until then is a take
    });
  }

  get source() {
    return this.sources[this.by];
  }

  set(change) {
    Object.assign(this, change);
    this.dispatchEvent(new Event('change'));
  }

  /** The frames that are recorded. */
  stretch() {
    const [first, last] = [this.desk.first(), this.desk.last()];
    const from = Math.max(first, Math.min(last - 1, this.from ?? first));
    return { from, to: Math.max(from + 1, Math.min(last, this.to ?? last)) };
  }

  toggle() {
    if (this.state === 'off') return this.start();
    if (this.state === 'rolling') return this.cut();
    this.cancel();
    return Promise.resolve();
  }

  async start() {
    if (!this.desk.camera) {
      toast('A take is of a camera: add one first');
      return;
    }
    this.stretched = this.stretch();
    this.set({ state: 'counting' });
    try {
      this.desk.goTo(this.stretched.from);
      await this.source.prepare(this.stretched.from);
    } catch (problem) {
      this.fail(problem);
      return;
    }
    if (this.state !== 'counting') return;
    this.since = performance.now();
    this.ticked = this.since;
    this.tick();
  }

  fail(problem) {
    this.set({ state: 'off' });
    this.source.unprepare?.();
    if (!(problem instanceof Problem)) throw problem;
    this.store.announce('refused', problem);
  }

  tick() {
    if (this.state !== 'counting' && this.state !== 'rolling') return;
    const now = performance.now();
    const asleep = now - this.ticked > ASLEEP_MS;
    const seconds = ((asleep ? this.ticked : now) - this.since) / 1000;
    this.ticked = now;
    if (asleep && this.state === 'rolling') {
      toast('The window was hidden: the take ends there');
      this.cut();
      return;
    }
    if (this.state === 'counting') this.count(seconds);
    else this.record(seconds);
    this.dispatchEvent(new Event('tick'));
    requestAnimationFrame(() => this.tick());
  }

  /** What is before the first frame plays meanwhile, as far as there is anything. */
  count(seconds) {
    this.left = this.countIn - seconds;
    const { from } = this.stretched;
    if (this.left > 0) {
      this.desk.goTo(Math.max(this.desk.first(), from - Math.ceil(this.left * this.fps())));
      return;
    }
    this.desk.goTo(from);
    this.source.roll(from);
    this.since = performance.now();
    this.set({ state: 'rolling' });
  }

  fps() {
    return framesPerSecond(this.store.header.rate);
  }

  record(seconds) {
    const { from, to } = this.stretched;
    this.seconds = Math.min(seconds, (to - from) / this.fps());
    this.desk.goTo(Math.min(to, from + Math.floor(seconds * this.fps())));
    const over = seconds > (to - from) / this.fps() + LATE_S;
    if (over && (this.source.reached?.() ?? to) >= to) this.cut();
  }

  /** Ends the take where it is, and keeps it. */
  async cut() {
    if (this.state !== 'rolling') return;
    await this.keep(Math.min(this.stretched.to, this.desk.frame));
  }

  async keep(to) {
    this.set({ state: 'keeping' });
    try {
      const name = await this.source.cut(to);
      this.set({ state: 'off' });
      await this.takes.load();
      if (name) await this.use(name);
      else toast('That was shorter than two frames: nothing is kept');
    } catch (problem) {
      this.fail(problem);
      if (problem.retry) toast('The take is not kept yet', { action: 'Keep it', onAction: () => this.keep(to) });
    }
  }

  async use(name) {
    if (this.becomes === '') {
      toast(`${name} is kept: put it to use under Takes`);
      return;
    }
    const { from, to } = this.stretched;
    const used = await this.takes.use(this.desk.camera, name, this.becomes, { from, to, blend: this.blend });
    if (used) {
      this.sources.walk.stop();
      toast(`${name} is kept, and in use`);
    }
  }

  cancel() {
    if (this.state !== 'counting') return;
    this.set({ state: 'off' });
    this.source.unprepare?.();
  }
}
