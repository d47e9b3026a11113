// The pieces as solids in a scene.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { copiesIn } from '../shot/copies.js';
import { glowOf, isShown, sizeOf } from '../shot/looks.js';
import { poseIn } from '../shot/samples.js';
import { faceGeometry, faceMaterial, isPictured, turnTo } from './card-face.js';
import { CopiedSolid } from './copied.js';
import { letter, unletter } from './lettering.js';
import { makeMaterial, orderOf, setSun, shine } from './materials.js';

const WHITE = '#ffffff';

export class Solids {
  constructor(store, scene) {
    this.store = store;
    this.scene = scene;
    this.pieces = new Map();
  }

  /** Makes, changes and removes the solids so that they are those of the document. */
  sync() {
    const wanted = new Set();
    for (const node of this.store.nodes) {
      const mesh = this.store.meshes.get(node.id);
      if (node.kind !== 'piece' || !mesh) continue;
      wanted.add(node.id);
      const known = this.pieces.get(node.id);
      const finish = JSON.stringify(node.finish);
      const times = copiesIn(this.store, node.id)?.count ?? 0;
      if (known && known.mesh === mesh && known.finish === finish && known.times === times) continue;
      if (known) this.drop(node.id);
      const solid = make(node, mesh, times);
      this.scene.add(solid);
      this.pieces.set(node.id, { solid, mesh, finish, times });
    }
    for (const id of [...this.pieces.keys()]) if (!wanted.has(id)) this.drop(id);
  }

  drop(id) {
    const { solid, mesh } = this.pieces.get(id);
    this.scene.remove(solid);
    if (solid.geometry !== mesh.geometry) solid.geometry.dispose();
    if (solid instanceof CopiedSolid) solid.dispose();
    unletter(solid);
    solid.material.dispose();
    this.pieces.delete(id);
  }

  /**
   * Puts every solid where it is in a state at a frame; tells whether one moved.
   *
   * @param {import('../shot/hidden.js').Where} where it is seen
   */
  place(state, frame, where) {
    let moved = false;
    for (const id of this.pieces.keys()) if (this.placeOne(id, state, frame, where)) moved = true;
    return moved;
  }

  placeOne(id, state, frame, where) {
    const { solid } = this.pieces.get(id);
    const node = this.store.byId.get(id);
    const copies = solid instanceof CopiedSolid ? copiesIn(state, id) : null;
    const pose = node && poseIn(state, copies ? copies.repeated.by : id, frame);
    const visible = Boolean(pose) && isShown(state, node, frame, where);
    let moved = visible !== solid.visible;
    solid.visible = visible;
    if (!pose) return moved;
    const size = sizeOf(state, node, frame);
    if (copies) moved = solid.placeCopies(copies, frame, size) || moved;
    else moved = resize(solid, size) || moved;
    moved = this.look(solid, state, node, frame) || moved;
    const { position } = solid;
    moved ||= position.x !== pose.x || position.y !== pose.y || position.z !== pose.z;
    position.set(pose.x, pose.y, pose.z);
    solid.quaternion.set(pose.qx, pose.qy, pose.qz, pose.qw);
    return moved;
  }

  /** Shows how it looks at a frame; tells whether it casts another shadow. */
  look(solid, state, node, frame) {
    const pictured = isPictured(node);
    if (node.finish.kind === 'glow')
      shine(solid.material, pictured ? WHITE : node.finish.colour, glowOf(state, node, frame));
    return pictured && turnTo(solid, this.store, state, node, frame);
  }

  light(sunTo, colour) {
    for (const { solid } of this.pieces.values()) setSun(solid.material, sunTo, colour);
  }

  dispose() {
    for (const id of [...this.pieces.keys()]) this.drop(id);
  }
}

/** The solid of a piece, or of so many copies of it. */
function make(node, mesh, times) {
  const pictured = isPictured(node);
  const shape = pictured ? faceGeometry(node.shape) : geometry(mesh);
  const material = pictured ? faceMaterial(node.finish) : makeMaterial(node.finish);
  const solid = times ? new CopiedSolid(shape, material, times) : new THREE.Mesh(shape, material);
  letter(solid, node.shape, node.finish);
  solid.renderOrder = orderOf(node.finish);
  solid.castShadow = node.finish.kind === 'matt';
  solid.receiveShadow = node.finish.kind === 'matt';
  solid.userData.id = node.id;
  return solid;
}

/** Makes a solid so many times as large; tells whether it was not. */
function resize(solid, size) {
  if (solid.scale.x === size) return false;
  solid.scale.setScalar(size);
  return true;
}

function geometry(mesh) {
  if (mesh.geometry) return mesh.geometry;
  const made = new THREE.BufferGeometry();
  made.setAttribute('position', new THREE.BufferAttribute(mesh.positions, 3));
  made.setAttribute('normal', new THREE.BufferAttribute(mesh.normals, 3));
  const colours = new Float32Array(mesh.shades.length * 3);
  for (let i = 0; i < colours.length; i++) colours[i] = mesh.shades[Math.floor(i / 3)];
  made.setAttribute('color', new THREE.BufferAttribute(colours, 3));
  made.setIndex(new THREE.BufferAttribute(mesh.indices, 1));
  mesh.geometry = made;
  return made;
}
