// The camera at the playhead, sent to whoever listens on this machine: off until it is switched on.
import { postJson, remove } from '../common/api.js';

const EVERY_MS = 40;
const HEARTBEAT_MS = 5000;

/** Events: 'change' (on or off). */
export class LiveOut extends EventTarget {
  /**
   * @param {any} store
   * @param {any} desk
   * @param {any} playback
   */
  constructor(store, desk, playback) {
    super();
    this.store = store;
    this.desk = desk;
    this.playback = playback;
    this.address = '127.0.0.1';
    this.port = 40010;
    this.rate = 60;
    this.on = false;
    desk.addEventListener('frame', () => !playback.playing && this.tellSoon());
    playback.addEventListener('change', () => this.tell());
    desk.addEventListener('selection', () => this.on && desk.camera !== this.camera && this.reopen());
    setInterval(() => this.tell(), HEARTBEAT_MS);
  }

  get path() {
    return this.store.path('/live-out');
  }

  toggle() {
    return this.store.attempt(() => (this.on ? this.close() : this.open()));
  }

  /** Another camera is looked through, or what is set has changed. */
  reopen() {
    return this.store.attempt(async () => {
      await this.close();
      await this.open();
    });
  }

  /**
   * @param {'address' | 'port' | 'rate'} name
   * @param {string | number} value
   */
  async settle(name, value) {
    Object.assign(this, { [name]: value });
    if (this.on) await this.reopen();
    else this.dispatchEvent(new Event('change'));
  }

  async open() {
    const { address, port, rate } = this;
    this.camera = this.desk.camera;
    await postJson(this.path, { address, port, rate, camera: this.camera, frame: this.desk.frame });
    this.set(true);
    await this.tell();
  }

  async close() {
    this.set(false);
    await remove(this.path);
  }

  set(on) {
    this.on = on;
    this.dispatchEvent(new Event('change'));
  }

  /** While it is scrubbed the last place counts. */
  tellSoon() {
    this.timer ??= setTimeout(() => {
      this.timer = undefined;
      this.tell();
    }, EVERY_MS);
  }

  async tell() {
    if (!this.on) return;
    const where = { frame: this.desk.frame, playing: this.playback.playing };
    await postJson(`${this.path}/playhead`, where).catch((problem) => problem.status === 409 && this.set(false));
  }
}
