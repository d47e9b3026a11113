// The pieces as solids in a scene.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { copiesIn } from '../shot/copies.js';
import { poseIn } from '../shot/samples.js';
import { CopiedSolid } from './copied.js';
import { makeMaterial, orderOf, setSun } from './materials.js';

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
      const material = makeMaterial(node.finish);
      const solid = times ? new CopiedSolid(geometry(mesh), material, times) : new THREE.Mesh(geometry(mesh), material);
      solid.renderOrder = orderOf(node.finish);
      solid.castShadow = node.finish.kind === 'matt';
      solid.receiveShadow = node.finish.kind === 'matt';
      solid.userData.id = node.id;
      this.scene.add(solid);
      this.pieces.set(node.id, { solid, mesh, finish, times });
    }
    for (const id of [...this.pieces.keys()]) if (!wanted.has(id)) this.drop(id);
  }

  drop(id) {
    const { solid } = this.pieces.get(id);
    this.scene.remove(solid);
    if (solid instanceof CopiedSolid) solid.dispose();
    solid.material.dispose();
    this.pieces.delete(id);
  }

  /** Puts every solid where it is in a state at a frame; tells whether one moved. */
  place(state, frame) {
    let moved = false;
    for (const [id, { solid }] of this.pieces) {
      const copies = solid instanceof CopiedSolid ? copiesIn(state, id) : null;
      const pose = poseIn(state, copies ? copies.repeated.by : id, frame);
      const visible = Boolean(pose) && !this.store.isHidden(this.store.byId.get(id));
      moved ||= visible !== solid.visible;
      solid.visible = visible;
      if (!pose) continue;
      if (copies && solid.placeCopies(copies, frame)) moved = true;
      moved ||= solid.position.x !== pose.x || solid.position.y !== pose.y || solid.position.z !== pose.z;
      solid.position.set(pose.x, pose.y, pose.z);
      solid.quaternion.set(pose.qx, pose.qy, pose.qz, pose.qw);
    }
    return moved;
  }

  light(sunTo, colour) {
    for (const { solid } of this.pieces.values()) setSun(solid.material, sunTo, colour);
  }

  dispose() {
    for (const id of [...this.pieces.keys()]) this.drop(id);
  }
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
