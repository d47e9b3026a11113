// Plays frames at the shot's rate from what is already here; never asks the server.
import { framesPerSecond } from '../common/format.js';

export class Playback extends EventTarget {
  constructor(desk) {
    super();
    this.desk = desk;
    this.playing = false;
    this.loop = true;
    this.reached = 0;
  }

  toggle() { if (this.playing) this.stop(); else this.play(); }

  play() {
    const { desk } = this;
    if (desk.frame >= desk.last() || desk.frame < desk.first()) desk.goTo(desk.first());
    this.playing = true;
    this.startTime = performance.now();
    this.startFrame = desk.frame;
    this.drawn = 0;
    this.countedSince = this.startTime;
    this.dispatchEvent(new Event('change'));
    requestAnimationFrame((now) => this.tick(now));
  }

  stop() {
    this.playing = false;
    this.dispatchEvent(new Event('change'));
  }

  tick(now) {
    if (!this.playing) return;
    const { desk } = this;
    const length = desk.last() - desk.first() + 1;
    const passed = Math.floor(((now - this.startTime) / 1000) * framesPerSecond(desk.store.header.rate));
    let frame = this.startFrame + Math.max(0, passed);
    if (frame > desk.last()) {
      if (!this.loop) { desk.goTo(desk.last()); this.stop(); return; }
      frame = desk.first() + ((frame - desk.first()) % length);
    }
    if (frame !== desk.frame) { desk.goTo(frame); this.drawn++; }
    if (now - this.countedSince >= 1000) {
      this.reached = (this.drawn * 1000) / (now - this.countedSince);
      this.drawn = 0;
      this.countedSince = now;
      this.dispatchEvent(new Event('rate'));
    }
    requestAnimationFrame((next) => this.tick(next));
  }
}
