// What is in the air: mist that drifts through its box, and haze that grows with depth.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { isShown } from '../shot/looks.js';
import { copiesOutwards, laterBy, poseAt } from '../shot/copies.js';
import { SKY } from './materials.js';

const MOST_COPIES = 60; // of one mist; those farther along its repeat are not drawn
const HALF = Math.sqrt(Math.log(2)); // density times distance at which half of what is seen is haze

function puffMaterial() {
  return new THREE.ShaderMaterial({
    transparent: true,
    depthWrite: false,
    uniforms: {
      shift: { value: new THREE.Vector3() },
      box: { value: new THREE.Vector3(1, 1, 1) },
      radius: { value: 1 },
      pixels: { value: 500 },
      colour: { value: new THREE.Color() },
      density: { value: 0.2 },
    },
    vertexShader: `uniform vec3 shift, box; uniform float radius, pixels; varying float near;
      void main() {
        vec3 at = mod(position + shift + box * 0.5, box) - box * 0.5;
        vec3 edge = smoothstep(vec3(0.5), vec3(0.38), abs(at) / box);
        vec4 seen = modelViewMatrix * vec4(at, 1.0);
        near = edge.x * edge.y * edge.z * smoothstep(radius * 0.4, radius * 2.0, -seen.z);
        gl_Position = projectionMatrix * seen;
        float far = projectionMatrix[3][3] == 1.0 ? 1.0 : max(-seen.z, 0.01); // in parallel all is as large
        gl_PointSize = min(pixels * projectionMatrix[1][1] * radius / far, 900.0);
      }`,
    fragmentShader: `uniform vec3 colour; uniform float density; varying float near;
      void main() {
        float off = length(gl_PointCoord - 0.5) * 2.0;
        float soft = max(0.0, 1.0 - off);
        gl_FragColor = vec4(colour, density * near * soft * soft * (3.0 - 2.0 * soft));
        #include <colorspace_fragment>
      }`,
  });
}

export class Air {
  constructor(store, scene) {
    this.store = store;
    this.scene = scene;
    this.mists = new Map();
    this.fog = new THREE.FogExp2('#ffffff', 0);
  }

  /** Makes and removes mists so that they are those of the document, with their copies. */
  sync() {
    const wanted = new Set();
    for (const node of this.store.nodes.filter((n) => n.kind === 'mist')) {
      const puffs = this.store.motion.get(node.id)?.puffs;
      if (!puffs) continue;
      for (const k of copiesOutwards(this.store, node.id).slice(0, MOST_COPIES)) {
        const key = `${node.id} ${k ?? ''}`;
        wanted.add(key);
        if (this.mists.get(key)?.puffs !== puffs) this.make(key, { id: node.id, k, puffs });
      }
    }
    for (const key of [...this.mists.keys()]) if (!wanted.has(key)) this.drop(key);
  }

  make(key, one) {
    this.drop(key);
    const geometry = new THREE.BufferGeometry();
    geometry.setAttribute('position', new THREE.BufferAttribute(one.puffs, 3));
    const points = new THREE.Points(geometry, puffMaterial());
    points.frustumCulled = false;
    points.renderOrder = 20; // over all that is solid
    this.scene.add(points);
    this.mists.set(key, { ...one, points });
  }

  drop(key) {
    const known = this.mists.get(key);
    if (!known) return;
    this.scene.remove(known.points);
    known.points.geometry.dispose();
    known.points.material.dispose();
    this.mists.delete(key);
  }

  /**
   * Puts mist and haze where they are at a frame.
   *
   * @param {number} height of the picture in pixels
   * @param {import('../shot/hidden.js').Where} where
   */
  place(state, frame, height, where) {
    for (const { id, k, points } of this.mists.values()) {
      const node = this.store.byId.get(id);
      const pose = poseAt(state, id, k, frame);
      const drift = state.motion.get(id)?.drift;
      points.visible = Boolean(node && pose && drift) && isShown(state, node, frame, where);
      if (!points.visible) continue;
      points.position.set(pose.x, pose.y, pose.z);
      points.quaternion.set(pose.qx, pose.qy, pose.qz, pose.qw);
      const { mist } = node;
      const { uniforms } = points.material;
      const passed = frame - this.store.header.in - laterBy(state, id, k);
      uniforms.shift.value.set(drift[0] * passed, drift[1] * passed, drift[2] * passed);
      uniforms.box.value.set(mist.width, mist.height, mist.depth);
      uniforms.radius.value = mist.puff;
      uniforms.pixels.value = height;
      uniforms.colour.value.set(mist.colour);
      uniforms.density.value = mist.density;
    }
    this.placeHaze(state, frame, where);
  }

  /** The first haze that is shown lies over all there is. */
  placeHaze(state, frame, where) {
    const node = this.store.nodes.find((n) => n.kind === 'haze' && isShown(state, n, frame, where));
    this.fog.density = node ? HALF / node.haze.half : 0;
    if (node) this.fog.color.set(node.haze.colour);
    const fog = node ? this.fog : null;
    if (Boolean(this.scene.fog) !== Boolean(fog)) this.remake();
    this.scene.fog = fog;
    SKY.haze.value = node ? 1 : 0;
    if (node) SKY.hazeColour.value.copy(this.fog.color);
    SKY.hazeDensity.value = this.fog.density;
  }

  /** Materials are written anew where haze comes or goes. */
  remake() {
    this.scene.traverse((each) => {
      if (each instanceof THREE.Mesh) each.material.needsUpdate = true;
    });
  }

  dispose() {
    for (const key of [...this.mists.keys()]) this.drop(key);
  }
}
