// The set as it is drawn for the picture: pieces, lights, air, sky and sun, seen from anywhere at any moment.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { isShown, shineOf } from '../shot/looks.js';
import { poseIn } from '../shot/samples.js';
import { cropped, WHOLE } from '../shot/seen.js';
import { Air } from '../solids/air.js';
import { Backplate } from './backplate.js';
import { Lamps } from '../solids/lamps.js';
import { lookThrough } from '../solids/look-through.js';
import { makeSky, setSun, SKY } from '../solids/materials.js';
import { Solids } from '../solids/solids.js';

const WITHOUT_SUN = 2.2;
const SUN_AT_ONE = 2.6;
const SHADOW_REACH_M = 24;
const SUN_AWAY_M = 80;
const SHADOWS_AHEAD_M = 13;
const SHADOW_STEP_M = 4;

/**
 * What is to be drawn.
 *
 * @typedef {object} View
 * @property {import('../shot/types.js').Pose} pose
 * @property {import('../shot/seen.js').Seen} seen
 * @property {any} state of the shot: {motion, grid, byId}
 * @property {number} frame may lie between two
 * @property {string} [camera] whose backplate is seen
 * @property {import('../shot/seen.js').Crop} [crop] the part of the picture that is drawn, if not all of it
 */

export class SetView {
  constructor(store, canvas) {
    this.store = store;
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: false, powerPreference: 'high-performance' });
    this.software = isSoftware(this.renderer.getContext());
    this.renderer.shadowMap.enabled = true;
    this.renderer.shadowMap.type = this.software ? THREE.BasicShadowMap : THREE.PCFShadowMap;
    this.renderer.setOpaqueSort((a, b) => a.renderOrder - b.renderOrder || a.z - b.z);
    this.renderer.shadowMap.autoUpdate = false;
    this.scene = new THREE.Scene();
    this.solids = new Solids(store, this.scene);
    this.lamps = new Lamps(store, this.scene);
    this.air = new Air(store, this.scene);
    this.plate = new Backplate(store, this.scene);
    this.camera = new THREE.PerspectiveCamera(); // of the frame in the picture: what is pressed is looked for by it
    this.passing = new THREE.PerspectiveCamera(); // of what is drawn besides
    this.sky = makeSky();
    this.scene.add(this.sky);
    this.skyLight = new THREE.HemisphereLight(SKY.high, new THREE.Color('#8d8064'), 1.55);
    this.scene.add(this.skyLight);
    this.sun = this.makeSun();
    this.shadowsStale = true;
  }

  makeSun() {
    const sun = new THREE.DirectionalLight('#ffffff', 0);
    sun.castShadow = true;
    sun.shadow.mapSize.set(2048, 2048);
    sun.shadow.bias = -0.0004;
    sun.shadow.normalBias = this.software ? 0.12 : 0.06; // against teeth along curved walls
    const box = sun.shadow.camera;
    box.left = -SHADOW_REACH_M;
    box.right = SHADOW_REACH_M;
    box.top = SHADOW_REACH_M;
    box.bottom = -SHADOW_REACH_M;
    box.near = 1;
    box.far = 160;
    this.scene.add(sun, sun.target);
    return sun;
  }

  /** Makes, changes and removes what is drawn so that it is that of the document. */
  sync() {
    this.solids.sync();
    this.lamps.sync();
    this.air.sync();
    this.shadowsStale = true;
  }

  /**
   * Draws into whatever the renderer draws into.
   *
   * @param {View} view
   * @param {{fine?: boolean, height: number, besides?: boolean}} how whether there is time for shadows even where they
   *   are slow; height of what is drawn, in points; whether it is another view than that of the picture
   */
  draw({ pose, seen, state, frame, camera: whose, crop = WHOLE }, { fine = false, height, besides = false }) {
    const camera = besides ? this.passing : this.camera;
    lookThrough(camera, pose, cropped(seen, crop));
    this.sky.position.copy(camera.position);
    const moved = this.solids.place(state, frame, 'picture');
    this.lamps.place(state, frame, 'picture');
    this.air.place(state, frame, height, 'picture');
    this.plate.place(state, whose, frame, crop);
    this.placeSun(state, frame, camera);
    this.shadowsStale ||= moved;
    if (this.shadowsStale && (fine || !this.software)) {
      this.renderer.shadowMap.needsUpdate = true;
      this.shadowsStale = false;
    }
    this.renderer.render(this.scene, camera);
  }

  placeSun(state, frame, camera) {
    const node = this.store.nodes.find((n) => n.kind === 'sun' && isShown(state, n, frame, 'picture'));
    const pose = node && poseIn(state, node.id, frame);
    const direction = new THREE.Vector3(0.3, -1, -0.2);
    if (pose) direction.set(0, 0, -1).applyQuaternion(new THREE.Quaternion(pose.qx, pose.qy, pose.qz, pose.qw));
    direction.normalize();
    const colour = new THREE.Color(node?.colour ?? '#ffffff');
    this.sun.intensity = this.sunlight(node, state, frame);
    this.sun.color.copy(colour);
    const ahead = new THREE.Vector3(0, 0, -1).applyQuaternion(camera.quaternion).setY(0);
    const centre = camera.position.clone().addScaledVector(ahead, SHADOWS_AHEAD_M);
    // moves in steps, so that shadows stand still
    const step = (v) => Math.round(v / SHADOW_STEP_M) * SHADOW_STEP_M;
    centre.set(step(centre.x), 0, step(centre.z));
    if (!this.sun.target.position.equals(centre)) this.shadowsStale = true;
    this.sun.target.position.copy(centre);
    this.sun.position.copy(centre).addScaledVector(direction, -SUN_AWAY_M);
    const sunTo = direction.clone().negate();
    setSun(this.sky.material, sunTo, colour);
    this.solids.light(sunTo, colour);
  }

  /** A set that came without any light can be seen all the same. */
  sunlight(node, state, frame) {
    if (node) return node.strength * SUN_AT_ONE * shineOf(state, node, frame);
    return this.store.nodes.some((n) => n.kind === 'light') ? 0 : WITHOUT_SUN;
  }

  /** Where a place in the world was last drawn, in parts of the picture from its upper left; or null. */
  project([x, y, z]) {
    const at = new THREE.Vector3(x, y, z).project(this.camera);
    if (Math.abs(at.x) > 1 || Math.abs(at.y) > 1 || at.z > 1) return null;
    return [(at.x + 1) / 2, (1 - at.y) / 2];
  }

  /** The piece that was last drawn at a place of the picture, in parts from its upper left; or null. */
  pieceAt(x, y) {
    const ray = new THREE.Raycaster();
    ray.setFromCamera(new THREE.Vector2(x * 2 - 1, 1 - y * 2), this.camera);
    const solids = [...this.solids.pieces.values()].map((p) => p.solid).filter((solid) => solid.visible);
    return ray.intersectObjects(solids)[0]?.object.userData.id ?? null;
  }

  dispose() {
    this.plate.dispose();
    this.renderer.dispose();
  }
}

/** Whether pictures are computed without a graphics card. */
function isSoftware(gl) {
  const info = gl.getExtension('WEBGL_debug_renderer_info');
  return info !== null && /swiftshader|llvmpipe|software/i.test(gl.getParameter(info.UNMASKED_RENDERER_WEBGL));
}
