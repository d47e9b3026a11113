// Angles of view that move: the loaders of three.js play none, so they are read here, from the file itself.

/** @import { GLTF } from 'three/addons/loaders/GLTFLoader.js' */

/** @typedef {{times: ArrayLike<number>, degrees: ArrayLike<number>}} Angles of view over seconds */

const POINTER = /^\/cameras\/(\d+)\/perspective\/yfov$/;
const DEGREES = 180 / Math.PI;

/**
 * The moving angles of a glTF file.
 *
 * @param {GLTF} gltf
 * @returns {Promise<Map<number, Angles>>} by the number of the camera
 */
export async function pointedAngles(gltf) {
  const found = new Map();
  const numbersOf = async (/** @type {number} */ accessor) =>
    (await gltf.parser.getDependency('accessor', accessor)).array;
  for (const { channels, samplers } of gltf.parser.json.animations ?? []) {
    for (const { target, sampler } of channels) {
      const to = POINTER.exec(target.extensions?.KHR_animation_pointer?.pointer ?? '');
      if (!to) continue;
      const { input, output } = samplers[sampler];
      const degrees = Array.from(await numbersOf(output), (radians) => radians * DEGREES);
      found.set(Number(to[1]), { times: await numbersOf(input), degrees });
    }
  }
  return found;
}

/** @param {Element} source */
const numbers = (source) => source.querySelector('float_array').textContent.trim().split(/\s+/).map(Number);

/**
 * Takes the moving angles out of a COLLADA document, whose loader knows motion of nodes only.
 *
 * @param {Document} xml
 * @returns {Map<string, Angles>} by the id of the camera
 */
export function takenAngles(xml) {
  const found = new Map();
  const at = (/** @type {string} */ address) => xml.querySelector(`[id="${CSS.escape(address.slice(1))}"]`);
  for (const channel of [...xml.querySelectorAll('channel')]) {
    const [, id] = /^(.+)\/yfov$/.exec(channel.getAttribute('target')) ?? [];
    if (!id) continue;
    const sampler = at(channel.getAttribute('source'));
    const of = (/** @type {string} */ semantic) =>
      numbers(at(sampler.querySelector(`[semantic="${semantic}"]`).getAttribute('source')));
    found.set(id, { times: of('INPUT'), degrees: of('OUTPUT') });
    channel.closest('animation').remove();
  }
  return found;
}

/**
 * The angle at a moment, straight between those that are told.
 *
 * @param {Angles} angles
 * @param {number} seconds
 */
export function angleAt({ times, degrees }, seconds) {
  let i = 0;
  while (i < times.length - 2 && times[i + 1] <= seconds) i++;
  if (times.length < 2) return degrees[0];
  const share = Math.min(1, Math.max(0, (seconds - times[i]) / (times[i + 1] - times[i])));
  return degrees[i] + (degrees[i + 1] - degrees[i]) * share;
}
