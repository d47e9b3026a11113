// Reads a file that was handed over, with the loaders of three.js.
import { ColladaLoader } from 'three/addons/loaders/ColladaLoader.js';
import { GLTFLoader } from 'three/addons/loaders/GLTFLoader.js';
import { pointedAngles, takenAngles } from './lens-motion.js';

/** @import { Angles } from './lens-motion.js' */
/** @import { GLTF } from 'three/addons/loaders/GLTFLoader.js' */
/** @import { AnimationClip, Object3D, PerspectiveCamera } from 'three' */

/**
 * @typedef {object} Opened what is in a file
 * @property {Object3D} scene
 * @property {AnimationClip[]} clips what moves
 * @property {PerspectiveCamera[]} cameras at least one
 * @property {Map<PerspectiveCamera, Angles>} zooms the angles of those that zoom
 */

/**
 * Where the server has a file.
 *
 * @param {string} name
 */
export const addressOf = (name) => `/handed/${name.split('/').map(encodeURIComponent).join('/')}`;

/**
 * @param {string} name
 * @returns {Promise<Response>}
 * @throws {Error} if it is not there
 */
export async function fetched(name) {
  const answer = await fetch(addressOf(name));
  if (!answer.ok) throw new Error(`${name} is not among what was handed over`);
  return answer;
}

/** @returns {Promise<string[]>} the names of all that was handed over */
export const fetchedNames = async () => (await fetch('/names.json')).json();

/**
 * @param {Object3D} scene
 * @returns {PerspectiveCamera[]}
 */
function camerasOf(scene) {
  /** @type {PerspectiveCamera[]} */
  const found = [];
  scene.traverse((o) => 'isPerspectiveCamera' in o && found.push(/** @type {PerspectiveCamera} */ (o)));
  return found;
}

/**
 * The cameras by the ids that the document has for them.
 *
 * @param {Document} xml
 * @param {PerspectiveCamera[]} cameras in the order of the document
 */
function byId(xml, cameras) {
  const instances = [...xml.querySelectorAll('instance_camera')];
  return new Map(instances.map((instance, i) => [instance.getAttribute('url').slice(1), cameras[i]]));
}

/**
 * @param {string} name
 * @returns {Promise<Opened>}
 */
async function collada(name) {
  const xml = new DOMParser().parseFromString(await (await fetched(name)).text(), 'application/xml');
  if (xml.querySelector('parsererror')) throw new Error(`${name} is no document of XML`);
  const angles = takenAngles(xml);
  const read = new ColladaLoader().parse(new XMLSerializer().serializeToString(xml), '');
  const cameras = camerasOf(read.scene);
  const named = byId(xml, cameras);
  const zooms = new Map([...angles].map(([id, a]) => [named.get(id), a]));
  return { scene: read.scene, clips: read.scene.animations ?? [], cameras, zooms };
}

/**
 * The number of a camera in the file: of its node, or of the one above if more stands at it.
 *
 * @param {GLTF} read
 * @param {PerspectiveCamera} camera
 * @returns {number | undefined}
 */
function numberOf({ parser }, camera) {
  const node = parser.associations.get(camera)?.nodes ?? parser.associations.get(camera.parent)?.nodes;
  return parser.json.nodes[node]?.camera;
}

/**
 * @param {string} name
 * @returns {Promise<Opened>}
 */
async function gltf(name) {
  const read = await new GLTFLoader().parseAsync(await (await fetched(name)).arrayBuffer(), '');
  const angles = await pointedAngles(read);
  const cameras = camerasOf(read.scene);
  const zooms = new Map(cameras.map((camera) => [camera, angles.get(numberOf(read, camera))]));
  return { scene: read.scene, clips: read.animations, cameras, zooms };
}

/**
 * @param {string} name of a .glb or a .dae
 * @returns {Promise<Opened>}
 * @throws {Error} if it cannot be read, or has no camera
 */
export async function opened(name) {
  const found = await (/\.dae$/i.test(name) ? collada(name) : gltf(name));
  if (!found.cameras.length) throw new Error(`${name} has no camera`);
  return found;
}
