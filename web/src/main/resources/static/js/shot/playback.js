// Plays frames at the shot's rate from what is already here; never asks the server.
import { framesPerSecond } from '../common/format.js';

/** How many frames before and after the seam are played. */
export const SEAM_FRAMES = 24;

/** What is played over and over: whole, range, or seam. */
export class Playback extends EventTarget {
  constructor(desk) {
    super();
    this.desk = desk;
    this.playing = false;
    this.loop = 'whole'; // or range, seam, once
    this.seamFrames = SEAM_FRAMES;
    this.reached = 0;
  }

  toggle() {
    if (this.playing) this.stop();
    else this.play();
  }

  setLoop(loop) {
    this.loop = loop;
    if (this.playing) this.play();
    this.dispatchEvent(new Event('change'));
  }

  /** The frames that are played, in their order: one stretch, or the last frames and then the first. */
  stretches() {
    const [first, last] = [this.desk.first(), this.desk.last()];
    if (this.loop === 'range' && this.desk.range) return [[this.desk.range.from, this.desk.range.to]];
    if (this.loop !== 'seam') return [[first, last]];
    const n = Math.max(1, Math.min(this.seamFrames, Math.floor((last - first + 1) / 2)));
    return [
      [last - n + 1, last],
      [first, first + n - 1],
    ];
  }

  /** How many frames into what is played a frame is; none where it is outside. */
  static indexOf(stretches, frame) {
    let before = 0;
    for (const [from, to] of stretches) {
      if (frame >= from && frame <= to) return before + frame - from;
      before += to - from + 1;
    }
    return null;
  }

  /** The frame so many frames into what is played, round and round. */
  static frameAt(stretches, index) {
    const length = stretches.reduce((sum, [from, to]) => sum + to - from + 1, 0);
    let rest = ((index % length) + length) % length;
    for (const [from, to] of stretches) {
      if (rest <= to - from) return from + rest;
      rest -= to - from + 1;
    }
    return stretches[0][0];
  }

  play() {
    const { desk } = this;
    const stretches = this.stretches();
    const at = Playback.indexOf(stretches, desk.frame);
    const atEnd = this.loop === 'once' && desk.frame >= desk.last();
    if (at === null || atEnd) desk.goTo(stretches[0][0]);
    this.startIndex = Playback.indexOf(stretches, desk.frame) ?? 0;
    this.startTime = performance.now();
    this.drawn = 0;
    this.countedSince = this.startTime;
    if (this.playing) return;
    this.playing = true;
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
    const passed = Math.floor(((now - this.startTime) / 1000) * framesPerSecond(desk.store.header.rate));
    const index = this.startIndex + Math.max(0, passed);
    if (this.loop === 'once' && desk.first() + index > desk.last()) {
      desk.goTo(desk.last());
      this.stop();
      return;
    }
    const frame = Playback.frameAt(this.stretches(), index);
    if (frame !== desk.frame) {
      desk.goTo(frame);
      this.drawn++;
    }
    this.count(now);
    requestAnimationFrame((next) => this.tick(next));
  }

  /** Counts how many frames a second are reached. */
  count(now) {
    if (now - this.countedSince < 1000) return;
    this.reached = (this.drawn * 1000) / (now - this.countedSince);
    this.drawn = 0;
    this.countedSince = now;
    this.dispatchEvent(new Event('rate'));
  }
}
