// Walking the set: the hands go to the server, and where the camera is then comes back.
import { getJson, postJson, Problem } from '../common/api.js';
import { framesPerSecond } from '../common/format.js';

/** Longer than this nothing was drawn, as when the window was hidden: then the walk stands meanwhile. */
const ASLEEP_S = 4;
const COLUMNS = ['x', 'y', 'z', 'pan', 'tilt', 'roll', 'focal'];

/** Events: 'change' (on or off), 'walked' (somewhere else). */
export class Walk extends EventTarget {
  constructor(store, desk, hands) {
    super();
    this.store = store;
    this.desk = desk;
    this.hands = hands;
    this.on = false;
    this.body = { eye: 1.6, speed: 1.4, step: 0.35, jump: 0.4 };
    this.eyeIsSet = false; // whether the height of the eyes was typed, or is that of the camera
    this.stance = null;
    this.standby = null; // where a take begins that is punched in, while it counts in
    this.rows = null; // of a take that is rolled: frame and numbers
    this.ended = null; // a take that is over, until it is kept
    this.round = 0; // answers of an earlier round are too late
    desk.addEventListener('selection', () => {
      if (this.on && desk.camera !== this.camera) this.stop();
    });
  }

  /** Sets a number of who walks. */
  setBody(change) {
    this.body = { ...this.body, ...change };
    if ('eye' in change) this.eyeIsSet = true;
    this.announce('change');
  }

  announce(name) {
    this.dispatchEvent(new Event(name));
  }

  /** Stands where the camera is at a frame, and walks from there; where that is refused, it is told. */
  async start(frame = this.desk.frame) {
    await this.store.attempt(() => this.begin(frame));
    if (!this.on) this.announce('change');
  }

  async begin(frame) {
    if (!this.desk.camera) return;
    this.camera = this.desk.camera;
    const begun = await this.begun(frame);
    this.take(begun);
    this.again(frame, false);
    this.rows = null;
    if (!this.on) this.setOff();
  }

  setOff() {
    this.on = true;
    this.hands.on = true;
    this.hands.letGo();
    this.announce('change');
    const drawn = () => {
      if (!this.on) return;
      this.goOn().catch((problem) => this.fail(problem));
      requestAnimationFrame(drawn);
    };
    requestAnimationFrame(drawn);
  }

  /** How somebody stands who has the camera where it is at a frame. */
  async begun(frame) {
    const eye = this.eyeIsSet ? `&eye=${this.body.eye}` : '';
    const begun = await getJson(
      this.store.path(`/walk?camera=${encodeURIComponent(this.camera)}&frame=${frame}${eye}`),
    );
    if (!this.eyeIsSet) this.body.eye = begun.eye;
    return begun;
  }

  fail(problem) {
    this.busy = false;
    if (!(problem instanceof Problem)) throw problem;
    if (problem.retry) return;
    this.store.announce('refused', problem);
    this.stop();
  }

  /** From here on time is counted anew. */
  again(frame, plays) {
    this.round++;
    this.busy = false;
    this.stance = { ...this.stance, step: 0 };
    this.from = frame;
    this.plays = plays;
    this.began = performance.now();
    this.seconds = 0;
  }

  take({ stance, live, frames }) {
    this.stance = stance;
    this.desk.setLive({ id: this.camera, pose: live, lens: live });
    this.rows?.push(...frames);
    this.announce('walked');
  }

  async goOn() {
    if (this.busy || this.standby) return;
    const now = (performance.now() - this.began) / 1000;
    if (now - this.seconds > ASLEEP_S) {
      this.began += (now - this.seconds) * 1000;
      return;
    }
    const { round, rows } = this;
    this.busy = true;
    const asked = {
      camera: this.camera,
      body: this.body,
      start: this.plays ? this.from : this.desk.frame,
      plays: this.plays,
      stance: this.stance,
      steering: this.hands.take(),
      seconds: now,
    };
    const answer = await postJson(this.store.path('/walk'), asked);
    if (round !== this.round || !this.on || rows !== this.rows) return;
    this.busy = false;
    this.seconds = now;
    this.take(answer);
  }

  /**
   * Before a take: where something before it stays, it begins at the camera, which is seen until then; else where
   * somebody stands.
   */
  async prepare(from) {
    if (!this.on) await this.begin(from);
    if (from <= this.desk.first()) return;
    this.standby = await this.begun(from);
    this.desk.setLive(null);
  }

  /** Goes on without a take. */
  unprepare() {
    this.standby = null;
    if (this.on) this.again(this.desk.frame, false);
  }

  /** From now on what is walked is kept, while the shot plays from a frame on. */
  roll(from) {
    if (this.standby) this.take(this.standby);
    this.standby = null;
    this.hands.letGo();
    this.again(from, true);
    const { x, y, z, pan, tilt, roll, focalMm } = this.desk.live.pose;
    this.rows = [[from, x, y, z, pan, tilt, roll, focalMm]];
  }

  /** The last frame that is walked. */
  reached() {
    return this.rows?.at(-1)[0];
  }

  /**
   * Ends a take and keeps it, up to a frame; gives its name, or null where it is too short. Where it could not be kept,
   * it is here until it is asked for again.
   */
  async cut(to) {
    if (this.rows) this.end(this.rows.filter(([frame]) => frame <= to));
    if (!this.ended) return null;
    const { name } = await postJson(this.store.path('/takes'), this.ended);
    this.ended = null;
    return name;
  }

  end(rows) {
    this.rows = null;
    if (this.on) this.again(this.desk.frame, false);
    const samples = Object.fromEntries(COLUMNS.map((name, c) => [name, rows.map((r) => r[c + 1])]));
    const rate = framesPerSecond(this.store.header.rate);
    this.ended = rows.length < 2 ? null : { start: rows[0][0], rate, samples };
  }

  stop() {
    if (!this.on) return;
    this.on = false;
    this.hands.on = false;
    this.standby = null;
    this.round++;
    this.desk.setLive(null);
    this.announce('change');
  }
}
