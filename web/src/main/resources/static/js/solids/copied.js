// A piece that is repeated: one solid drawn many times.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { isStill, ownOf, stepOf } from '../shot/copies.js';

const scratch = {
  size: new THREE.Vector3(1, 1, 1),
  place: new THREE.Vector3(),
  turn: new THREE.Quaternion(),
  own: new THREE.Matrix4(),
  turned: new THREE.Matrix4(),
};

/** @param {THREE.Matrix4} out */
function matrix(pose, out, size = 1) {
  scratch.size.setScalar(size);
  scratch.place.set(pose.x, pose.y, pose.z);
  scratch.turn.set(pose.qx, pose.qy, pose.qz, pose.qw);
  return out.compose(scratch.place, scratch.turn, scratch.size);
}

export class CopiedSolid extends THREE.InstancedMesh {
  constructor(geometry, material, count) {
    super(geometry, material, count);
    this.frustumCulled = false;
    this.shown = null; // what its copies were placed for
    this.steps = [];
  }

  /** Puts the copies where they are, seen from their repeat; tells whether one may have moved. */
  placeCopies(all, frame, size) {
    const { repeated, copies } = all;
    const at = isStill(all) ? null : frame;
    const known = this.shown;
    if (known && known.repeated === repeated && known.copies === copies && known.at === at && known.size === size)
      return false;
    if (known?.copies !== copies)
      this.steps = Array.from({ length: all.count }, (_, k) => matrix(stepOf(copies, k), new THREE.Matrix4()));
    const alike = copies.inTime || at === null;
    const own = matrix(ownOf(all, 0, alike ? frame + copies.delays[0] : frame), new THREE.Matrix4(), size);
    for (let k = 0; k < all.count; k++) {
      const one = alike ? own : matrix(ownOf(all, k, frame), scratch.own, size);
      this.setMatrixAt(k, scratch.turned.multiplyMatrices(this.steps[k], one));
    }
    this.instanceMatrix.needsUpdate = true;
    this.boundingSphere = null;
    this.shown = { repeated, copies, at, size };
    return true;
  }
}
