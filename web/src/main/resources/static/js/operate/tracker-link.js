// A tracker that is listened to: switched on and off, what comes from it, and takes of it.
import { getJson, postJson, Problem, remove } from '../common/api.js';

const ASK_EVERY_MS = 33;

/** Events: 'change' (on, off, or what came). */
export class TrackerLink extends EventTarget {
  constructor(store, desk) {
    super();
    this.store = store;
    this.desk = desk;
    this.port = 40000;
    this.begins = 'camera'; // or stage: as the tracker has it
    this.scale = 1;
    this.state = { on: false };
    this.trouble = { rate: 60, loss: 0, reorder: 0, damage: 0, jitter: 0 };
    desk.addEventListener('selection', () => {
      if (this.on && desk.camera !== this.camera) this.attempt(() => this.close());
    });
  }

  get on() {
    return this.state.on;
  }

  path(rest = '') {
    return this.store.path(`/tracker${rest}`);
  }

  /** How the stage of the tracker lies in the world. */
  lies() {
    const { camera } = this;
    const begins = this.begins === 'camera' ? { camera, frame: this.desk.frame } : {};
    return { ...begins, scale: this.scale };
  }

  /** Does something that the server may refuse. */
  attempt(work) {
    return this.store.attempt(work);
  }

  async listen() {
    this.camera = this.desk.camera;
    await postJson(this.path(), { port: this.port, ...this.lies() });
    this.state = { on: true };
    this.askAgain();
  }

  /** Lays the stage anew, where it is listened to. */
  async place() {
    if (this.on) await postJson(this.path('/place'), this.lies());
  }

  async ask() {
    const query = `?camera=${encodeURIComponent(this.camera)}&frame=${this.desk.frame}`;
    const state = await getJson(this.path(query));
    if (!this.on) return;
    this.state = state;
    const { live } = state;
    this.desk.setLive(live ? { id: this.camera, pose: live, lens: lensOf(live) } : null);
    this.dispatchEvent(new Event('change'));
  }

  /** Where it is refused, and not only late, nothing more is asked. */
  async askOnce() {
    try {
      await this.ask();
    } catch (problem) {
      if (problem instanceof Problem && problem.retry) return;
      this.state = { on: false };
      throw problem;
    }
  }

  async askAgain() {
    while (this.on) {
      await this.attempt(() => this.askOnce());
      await new Promise((resolve) => {
        setTimeout(resolve, ASK_EVERY_MS);
      });
    }
    this.desk.setLive(null);
    this.dispatchEvent(new Event('change'));
  }

  async close() {
    this.state = { on: false };
    await remove(this.path());
  }

  async startStandIn() {
    await postJson(this.path('/stand-in'), this.trouble);
  }

  async stopStandIn() {
    await remove(this.path('/stand-in'));
  }

  async prepare() {
    if (!this.on) throw new Problem(409, { detail: 'No tracker is listened to: switch it on first' });
  }

  roll(from) {
    this.rolled = this.attempt(() => postJson(this.path('/roll'), { frame: from }));
  }

  /** Ends a take and keeps it; gives its name. */
  async cut() {
    await this.rolled;
    return (await postJson(this.path('/cut'))).name;
  }
}

function lensOf({ focusM, ...lens }) {
  return focusM === undefined ? lens : { ...lens, focusM };
}
