// A place in time as shown: frame number, seconds or timecode, both since the first frame; kept in the browser.
import { fixed, framesPerSecond } from './format.js';

const KEPT = 'idle-lens time as';
export const TIME_WAYS = { frames: 'frames', seconds: 'seconds', timecode: 'timecode' };

export const timeWay = () => (localStorage.getItem(KEPT) in TIME_WAYS ? localStorage.getItem(KEPT) : 'frames');

export const setTimeWay = (way) => localStorage.setItem(KEPT, way);

const two = (n) => String(n).padStart(2, '0');

/** Hours, minutes, seconds and frames, counted in whole frames a second. */
function timecode(frames, rate) {
  const base = Math.ceil(framesPerSecond(rate) - 1e-9);
  const whole = Math.abs(Math.round(frames));
  const seconds = Math.floor(whole / base);
  const parts = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60, whole % base];
  return `${frames < 0 ? '−' : ''}${parts.map(two).join(':')}`;
}

/** @param {number} frame @param {import('../shot/types.js').Header} header */
export function timeText(frame, header, way = timeWay()) {
  const since = frame - header.in;
  if (way === 'seconds') return `${fixed(since / framesPerSecond(header.rate), 2)} s`;
  return way === 'timecode' ? timecode(since, header.rate) : String(frame);
}
