// Angles of view that move: the loaders of three.js play none, so they are read here, from the file itself.

/** @typedef {{times: ArrayLike<number>, degrees: ArrayLike<number>}} Angles of view over seconds */

const POINTER = /^\/cameras\/(\d+)\/perspective\/yfov$/;

/** The moving angles of a glTF file, by the number of the camera. */
export async function pointedAngles(gltf) {
  const found = new Map();
  const { json } = gltf.parser;
  for (const { channels, samplers } of json.animations ?? []) {
    for (const { target, sampler } of channels) {
      const to = POINTER.exec(target.extensions?.KHR_animation_pointer?.pointer ?? '');
      if (!to) continue;
      const { input, output } = samplers[sampler];
      const times = (await gltf.parser.getDependency('accessor', input)).array;
      const radians = (await gltf.parser.getDependency('accessor', output)).array;
      found.set(Number(to[1]), { times, degrees: Array.from(radians, (r) => (r * 180) / Math.PI) });
    }
  }
  return found;
}

const numbers = (element) => element.querySelector('float_array').textContent.trim().split(/\s+/).map(Number);

/**
 * Takes the moving angles out of a COLLADA document, whose loader knows motion of nodes only.
 *
 * @returns {Map<string, Angles>} by the id of the camera
 */
export function takenAngles(xml) {
  const found = new Map();
  const byId = (address) => xml.getElementById(address.slice(1)) ?? xml.querySelector(`[id="${address.slice(1)}"]`);
  for (const channel of [...xml.querySelectorAll('channel')]) {
    const [, id] = /^(.+)\/yfov$/.exec(channel.getAttribute('target')) ?? [];
    if (!id) continue;
    const sampler = byId(channel.getAttribute('source'));
    const of = (semantic) => numbers(byId(sampler.querySelector(`[semantic="${semantic}"]`).getAttribute('source')));
    found.set(id, { times: of('INPUT'), degrees: of('OUTPUT') });
    channel.closest('animation').remove();
  }
  return found;
}

/** The angle at a moment, straight between those that are told. */
export function angleAt({ times, degrees }, seconds) {
  let i = 0;
  while (i < times.length - 2 && times[i + 1] <= seconds) i++;
  if (times.length < 2) return degrees[0];
  const share = Math.min(1, Math.max(0, (seconds - times[i]) / (times[i + 1] - times[i])));
  return degrees[i] + (degrees[i + 1] - degrees[i]) * share;
}
