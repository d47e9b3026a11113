// Lights that stand on set: a key and a fill shine along their own direction, a practical all around.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { copiesOutwards, poseAt } from '../shot/copies.js';
import { isShown, shineOf } from '../shot/looks.js';

const AT_ONE = 14; // candela of a light of strength 1
const CONES = { key: [0.62, 0.25], fill: [1.1, 1] }; // half angle in radians, softness of the edge
const SHADOW_PX = 1024;
/** More than this a graphics card does not take at once; the first ones on set are drawn. */
export const MOST_DRAWN = 12;
const MOST_WITH_SHADOWS = 4;

export class Lamps {
  constructor(store, scene) {
    this.store = store;
    this.scene = scene;
    this.lights = new Map();
  }

  /** The lights that are drawn, each with the number of its copy: all themselves before their copies. */
  drawn() {
    const all = this.store.nodes
      .filter((n) => n.kind === 'light')
      .flatMap((node) => copiesOutwards(this.store, node.id).map((k, rank) => ({ node, k, rank })));
    return all.sort((a, b) => a.rank - b.rank).slice(0, MOST_DRAWN);
  }

  /** Makes, changes and removes lights so that they are those of the document. */
  sync() {
    const wanted = new Set();
    let withShadows = 0;
    for (const { node, k } of this.drawn()) {
      const key = `${node.id} ${k ?? ''}`;
      wanted.add(key);
      const { as, reach } = node.lamp;
      const shadows = Boolean(node.lamp.shadows) && withShadows++ < MOST_WITH_SHADOWS;
      const made = `${as} ${shadows}`;
      if (this.lights.get(key)?.made !== made) {
        this.drop(key);
        this.lights.set(key, { id: node.id, k, light: this.make(as, shadows), made });
      }
      const { light } = this.lights.get(key);
      light.color.set(node.lamp.colour);
      light.distance = reach;
    }
    for (const key of [...this.lights.keys()]) if (!wanted.has(key)) this.drop(key);
  }

  make(as, shadows) {
    const [angle, softness] = CONES[as] ?? [];
    const light = angle
      ? new THREE.SpotLight('#ffffff', 0, 0, angle, softness, 2)
      : new THREE.PointLight('#ffffff', 0, 0, 2);
    light.castShadow = shadows;
    if (shadows) {
      light.shadow.mapSize.set(SHADOW_PX, SHADOW_PX);
      light.shadow.bias = -0.002;
      light.shadow.normalBias = 0.04;
    }
    this.scene.add(light);
    if (light instanceof THREE.SpotLight) this.scene.add(light.target);
    return light;
  }

  drop(key) {
    const known = this.lights.get(key);
    if (!known) return;
    this.scene.remove(known.light);
    if (known.light instanceof THREE.SpotLight) this.scene.remove(known.light.target);
    known.light.dispose();
    this.lights.delete(key);
  }

  /** Puts every light where it is at a frame. @param {import('../shot/hidden.js').Where} where */
  place(state, frame, where) {
    for (const { id, k, light } of this.lights.values()) {
      const node = this.store.byId.get(id);
      const pose = poseAt(state, id, k, frame);
      light.visible = Boolean(pose && node) && isShown(state, node, frame, where);
      if (!light.visible) continue;
      light.intensity = node.lamp.strength * AT_ONE * shineOf(state, node, frame);
      light.position.set(pose.x, pose.y, pose.z);
      if (!(light instanceof THREE.SpotLight)) continue;
      const turn = new THREE.Quaternion(pose.qx, pose.qy, pose.qz, pose.qw);
      light.target.position.set(0, 0, -1).applyQuaternion(turn).add(light.position);
      light.target.updateMatrixWorld();
    }
  }

  dispose() {
    for (const key of [...this.lights.keys()]) this.drop(key);
  }
}
