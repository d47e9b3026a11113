// Picture files out of what there is: pictures as they are, those in a zip, the frames of a video.
import { Problem } from '../common/api.js';
import { MOST_OCTETS, MOST_PICTURES, MOST_UNZIPPED, refusal } from './picture-limits.js';
import { framesOf } from './video-frames.js';

const ZIP_READER = '/webjars/jszip/3.10.1/dist/jszip.min.js';
const PICTURE = /\.(png|jpe?g)$/i;
const TYPES = { png: 'image/png', jpg: 'image/jpeg', jpeg: 'image/jpeg' };

const isZip = ({ name, type }) => /\.zip$/i.test(name) || type === 'application/zip';
const isVideo = ({ name, type }) => type.startsWith('video/') || /\.(mp4|m4v|mov|webm|mkv|ogv)$/i.test(name);

/**
 * @param {File[]} files of any kind
 * @param {{perSecond: number, tell: (done: number, all: number) => void}} how at how many pictures a second a video is
 *   taken apart; who is told how far that is
 * @returns {Promise<File[]>}
 */
export async function pictureFiles(files, { perSecond, tell }) {
  const all = [];
  for (const file of files) {
    if (isZip(file)) all.push(...(await unzipped(file, tell)));
    else if (isVideo(file)) all.push(...(await framesOf(file, { perSecond, tell })));
    else all.push(file);
  }
  if (all.length > MOST_PICTURES) throw refusal('Pictures', `${all.length}`, `up to ${MOST_PICTURES}`);
  return all;
}

/** The library comes with the application, and is fetched when it is first needed. */
function zipReader() {
  const known = /** @type {any} */ (globalThis).JSZip;
  if (known) return Promise.resolve(known);
  return new Promise((resolve, reject) => {
    const script = document.createElement('script');
    script.src = ZIP_READER;
    script.addEventListener('load', () => resolve(/** @type {any} */ (globalThis).JSZip));
    script.addEventListener('error', () =>
      reject(new Problem(0, { detail: 'The zip could not be opened; try again' })),
    );
    document.head.append(script);
  });
}

/** The pictures in a zip, each by the last part of its path where that is its own. */
async function unzipped(file, tell) {
  const reader = await zipReader();
  const zip = await reader.loadAsync(file).catch(() => {
    throw refusal(file.name, 'damaged, or no zip', 'a whole zip');
  });
  const entries = Object.values(zip.files).filter(({ dir, name }) => !dir && PICTURE.test(name) && !isAside(name));
  if (!entries.length) throw refusal(file.name, 'a zip without pictures', 'a zip with PNG or JPEG files');
  if (entries.length > MOST_PICTURES)
    throw refusal(file.name, `a zip of ${entries.length} pictures`, `up to ${MOST_PICTURES}`);
  const names = namesOf(entries.map(({ name }) => name));
  const pictures = [];
  let octets = 0;
  for (const [i, entry] of entries.entries()) {
    const one = await picture(file, entry, names[i]);
    octets += one.size;
    if (octets > MOST_UNZIPPED) throw refusal(file.name, 'a zip of more than 2 GB of pictures', 'up to 2 GB');
    pictures.push(one);
    tell(i + 1, entries.length);
  }
  return pictures;
}

/** What some systems put beside the files. */
const isAside = (path) => path.split('/').some((part) => part.startsWith('.') || part.startsWith('__'));

function namesOf(paths) {
  const last = paths.map((path) => path.split('/').at(-1));
  return new Set(last).size === last.length ? last : paths.map((path) => path.replaceAll('/', '-'));
}

/** One picture of a zip, and no more of it than a picture may have, whatever the zip claims. */
function picture(file, entry, name) {
  return new Promise((resolve, reject) => {
    const parts = [];
    let octets = 0;
    const stream = entry.internalStream('uint8array');
    stream.on('data', (part) => {
      octets += part.length;
      parts.push(part);
      if (octets <= MOST_OCTETS) return;
      stream.pause();
      reject(refusal(`${file.name}: ${name}`, 'more than 16 MB', 'pictures of up to 16 MB'));
    });
    stream.on('error', () => reject(refusal(`${file.name}: ${name}`, 'damaged', 'a whole file')));
    stream.on('end', () => resolve(new File(parts, name, { type: TYPES[name.split('.').at(-1).toLowerCase()] })));
    stream.resume();
  });
}
