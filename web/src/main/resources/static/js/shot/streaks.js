// How long what stands still is drawn out while the shutter is open, at a depth, and where it judders.
import { getJson } from '../common/api.js';
import { OfCamera } from './of-camera.js';

export class Streaks extends OfCamera {
  constructor(store, desk) {
    super(store, desk);
    /** @type {number | null} */
    this.metres = null; // where the focus is
    this.found = null;
  }

  /** @param {number | null} metres along the axis, or null for where the focus is */
  at(metres) {
    this.metres = metres;
    this.later();
    this.dispatchEvent(new Event('change'));
  }

  get question() {
    const depth = this.metres === null ? '' : `&metres=${this.metres}`;
    return `/streaks?camera=${encodeURIComponent(this.desk.camera)}${depth}`;
  }

  answer(path) {
    return getJson(path);
  }

  take(found) {
    this.found = found;
  }

  /** At a frame: picture widths that it is drawn out by, and the judder there, if any; or null outside the shot. */
  on(frame) {
    const i = Math.round(frame) - (this.found?.in ?? 0);
    const streak = this.found?.streak[i];
    if (streak === undefined || streak === null) return null;
    const at = i + this.found.in;
    return { streak, judder: (this.found.judder ?? []).find(({ from, to }) => from <= at && at <= to) };
  }
}
