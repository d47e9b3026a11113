// A video that the browser plays, taken apart into its frames: what it shows in the middle of each of them.
import { MOST_PICTURES, refusal } from './picture-limits.js';

const MOST_PX = 4096; // a side
const QUALITY = 0.92;
const LATER_THAN_ANY_S = 1e7;
const WAITS_MS = 20_000;

/** Waits for an event of a video, which fails where the video does. */
function once(video, name) {
  return new Promise((resolve, reject) => {
    const abort = new AbortController();
    const end = (how) => () => {
      abort.abort();
      clearTimeout(late);
      how();
    };
    const late = setTimeout(end(reject), WAITS_MS);
    video.addEventListener(name, end(resolve), { signal: abort.signal });
    video.addEventListener('error', end(reject), { signal: abort.signal });
  });
}

async function seek(video, seconds) {
  const there = once(video, 'seeked');
  video.currentTime = seconds;
  await there;
}

/** How long it lasts; some files say so only when their end was looked for. */
async function lengthOf(video) {
  if (!Number.isFinite(video.duration)) await seek(video, LATER_THAN_ANY_S);
  return Number.isFinite(video.duration) ? video.duration : video.currentTime;
}

/**
 * @param {File} file
 * @param {{perSecond: number, tell: (done: number, all: number) => void}} how
 * @returns {Promise<File[]>} numbered in their order
 */
export async function framesOf(file, how) {
  const video = document.createElement('video');
  const source = URL.createObjectURL(file);
  video.muted = true;
  video.preload = 'auto';
  try {
    const ready = once(video, 'loadeddata');
    video.src = source;
    await ready;
    return await apart(file, video, how);
  } catch (problem) {
    if (problem) throw problem;
    throw refusal(file.name, 'a video that this browser does not play', 'one that it plays, such as .webm or .mp4');
  } finally {
    video.removeAttribute('src');
    URL.revokeObjectURL(source);
  }
}

async function apart(file, video, { perSecond, tell }) {
  if (!video.videoWidth) throw refusal(file.name, 'without pictures', 'a video with pictures');
  const count = Math.max(1, Math.round((await lengthOf(video)) * perSecond));
  if (count > MOST_PICTURES)
    throw refusal(file.name, `${count} frames long at ${perSecond} a second`, `up to ${MOST_PICTURES} frames`);
  const smaller = Math.min(1, MOST_PX / Math.max(video.videoWidth, video.videoHeight));
  const size = [video.videoWidth, video.videoHeight].map((side) => Math.max(1, Math.round(side * smaller)));
  const canvas = new OffscreenCanvas(size[0], size[1]);
  const pen = canvas.getContext('2d');
  const digits = String(count).length;
  const frames = [];
  for (let i = 0; i < count; i++) {
    await seek(video, (i + 0.5) / perSecond);
    pen.drawImage(video, 0, 0, size[0], size[1]);
    const octets = await canvas.convertToBlob({ type: 'image/jpeg', quality: QUALITY });
    frames.push(new File([octets], `${file.name}.${String(i + 1).padStart(digits, '0')}.jpg`, { type: octets.type }));
    tell(i + 1, count);
  }
  return frames;
}
