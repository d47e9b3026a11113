// The set seen from outside: solids under the plan's drawing, with a viewer that orbits, pans and zooms.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { makeSky, setSun, SKY } from '../solids/materials.js';
import { Air } from '../solids/air.js';
import { Lamps } from '../solids/lamps.js';
import { Solids } from '../solids/solids.js';

const STEEPEST = 1.5;
const NEAREST_M = 0.3;
const FARTHEST_M = 400;
const RADIANS_A_PIXEL = 0.006;
const SUN_TO = new THREE.Vector3(0.4, 0.8, 0.35).normalize();

export class Outside {
  constructor(store, desk, canvas) {
    this.store = store;
    this.desk = desk;
    this.canvas = canvas;
    this.renderer = new THREE.WebGLRenderer({ canvas, antialias: true });
    this.scene = new THREE.Scene();
    this.viewer = new THREE.PerspectiveCamera(38, 1, 0.1, 2000);
    this.solids = new Solids(store, this.scene);
    this.lamps = new Lamps(store, this.scene);
    this.air = new Air(store, this.scene);
    this.sky = makeSky();
    this.scene.add(this.sky, new THREE.HemisphereLight(SKY.high, new THREE.Color('#8d8064'), 2));
    const sun = new THREE.DirectionalLight('#fff2dc', 2);
    sun.position.copy(SUN_TO).multiplyScalar(60);
    this.scene.add(sun);
    this.target = new THREE.Vector3();
    this.azimuth = 0.7;
    this.elevation = 0.5;
    this.distance = 20;
    this.size = [1, 1];
  }

  sync() {
    this.solids.sync();
    this.lamps.sync();
    this.air.sync();
  }

  /** @param {number[]} size width and height in pixels */
  resize([w, h]) {
    this.size = [Math.max(1, w), Math.max(1, h)];
    this.renderer.setPixelRatio(Math.min(devicePixelRatio, 2));
    this.renderer.setSize(this.size[0], this.size[1], false);
    this.viewer.aspect = this.size[0] / this.size[1];
  }

  /** Looks at a box of the world, with air around it. */
  frameOn(points) {
    const box = new THREE.Box3().setFromPoints(points.map((p) => new THREE.Vector3(p.x, p.y, p.z)));
    box.getCenter(this.target);
    const radius = Math.max(1.5, box.getSize(new THREE.Vector3()).length() / 2);
    this.distance = (radius * 1.25) / Math.sin((this.viewer.fov * Math.PI) / 360);
  }

  orbit(dx, dy) {
    this.azimuth -= dx * RADIANS_A_PIXEL;
    this.elevation = Math.max(-STEEPEST, Math.min(STEEPEST, this.elevation + dy * RADIANS_A_PIXEL));
  }

  pan(dx, dy) {
    const metres = this.metresAPixel(this.distance);
    const right = new THREE.Vector3().setFromMatrixColumn(this.viewer.matrixWorld, 0);
    const up = new THREE.Vector3().setFromMatrixColumn(this.viewer.matrixWorld, 1);
    this.target.addScaledVector(right, -dx * metres).addScaledVector(up, dy * metres);
  }

  zoom(factor) {
    this.distance = Math.max(NEAREST_M, Math.min(FARTHEST_M, this.distance * factor));
  }

  metresAPixel(distance) {
    return (2 * distance * Math.tan((this.viewer.fov * Math.PI) / 360)) / this.size[1];
  }

  /** Puts the viewer where it is, so that places can be projected. */
  aim() {
    const flat = Math.cos(this.elevation);
    this.viewer.position
      .set(Math.sin(this.azimuth) * flat, Math.sin(this.elevation), Math.cos(this.azimuth) * flat)
      .multiplyScalar(this.distance)
      .add(this.target);
    this.viewer.lookAt(this.target);
    this.viewer.updateProjectionMatrix();
    this.viewer.updateMatrixWorld();
    this.sky.position.copy(this.viewer.position);
  }

  draw() {
    this.aim();
    this.solids.place(this.store, this.desk.frame, 'views');
    this.lamps.place(this.store, this.desk.frame, 'views');
    this.air.place(this.store, this.desk.frame, this.size[1], 'views');
    this.solids.light(SUN_TO, new THREE.Color('#fff2dc'));
    setSun(this.sky.material, SUN_TO, new THREE.Color('#fff2dc'));
    this.renderer.render(this.scene, this.viewer);
  }

  /** Pixels of a place, or null behind the viewer. */
  place(p) {
    const v = new THREE.Vector3(p.x, p.y, p.z).applyMatrix4(this.viewer.matrixWorldInverse);
    if (v.z > -this.viewer.near) return null;
    v.applyMatrix4(this.viewer.projectionMatrix);
    return [((v.x + 1) / 2) * this.size[0], ((1 - v.y) / 2) * this.size[1]];
  }

  /** How far a drag by pixels moves what is at a place: over the ground, or up and down. */
  drag(p, [dx, dy], upright) {
    const from = this.place(p);
    if (!from) return { dx: 0, dy: 0, dz: 0 };
    if (upright) {
      const far = new THREE.Vector3(p.x, p.y, p.z).distanceTo(this.viewer.position);
      return { dx: 0, dy: -dy * this.metresAPixel(far), dz: 0 };
    }
    const [a, b] = [this.onLevel(from, p.y), this.onLevel([from[0] + dx, from[1] + dy], p.y)];
    return a && b ? { dx: b.x - a.x, dy: 0, dz: b.z - a.z } : { dx: 0, dy: 0, dz: 0 };
  }

  ray([x, y]) {
    const caster = new THREE.Raycaster();
    caster.setFromCamera(new THREE.Vector2((x / this.size[0]) * 2 - 1, 1 - (y / this.size[1]) * 2), this.viewer);
    return caster;
  }

  onLevel(pixel, height) {
    const level = new THREE.Plane(new THREE.Vector3(0, 1, 0), -height);
    const hit = this.ray(pixel).ray.intersectPlane(level, new THREE.Vector3());
    return hit && hit.distanceTo(this.viewer.position) < FARTHEST_M * 2 ? hit : null;
  }

  /** The piece under a pixel, or null. */
  pick(pixel) {
    const hit = this.ray(pixel).intersectObjects(
      [...this.solids.pieces.values()].map((p) => p.solid).filter((m) => m.visible),
    )[0];
    return hit?.object.userData.id ?? null;
  }

  dispose() {
    this.solids.dispose();
    this.lamps.dispose();
    this.air.dispose();
    this.renderer.dispose();
  }
}
