// The pictures behind what a camera sees, or over it: a sheet that fills the picture, whatever is seen.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { pictureAt } from '../shot/card-pictures.js';
import { isOn, partOf } from '../shot/parts.js';
import { valueAt } from '../shot/samples.js';
import { textureAt } from '../solids/card-face.js';
import { shelfOf } from '../solids/picture-shelf.js';

const FIRST = -1000;
const LAST = 1000;

const SHADERS = {
  vertexShader: `uniform vec2 part, middle, share; varying vec2 at;
    void main() { at = uv; gl_Position = vec4((position.xy * 2.0 * part - middle) / share, 1.0, 1.0); }`,
  fragmentShader: `uniform sampler2D map; uniform float opacity; varying vec2 at;
    void main() {
      vec4 texel = texture2D(map, at);
      gl_FragColor = vec4(texel.rgb, texel.a * opacity);
      #include <colorspace_fragment>
    }`,
};

/** The part of the picture that a plate takes across and up. */
function partOfPicture(fit, plate, picture) {
  if (fit === 'stretched') return [1, 1];
  return fit === 'height' ? [plate / picture, 1] : [1, picture / plate];
}

export class Backplate {
  constructor(store, scene) {
    this.store = store;
    this.shownOf = new Map(); // by camera, which one was shown
    const pair = (/** @type {number} */ value) => ({ value: new THREE.Vector2(value, value) });
    const uniforms = { map: { value: null }, opacity: { value: 1 }, part: pair(1), middle: pair(0), share: pair(1) };
    const material = new THREE.ShaderMaterial({ ...SHADERS, uniforms, transparent: true, depthWrite: false });
    this.mesh = new THREE.Mesh(new THREE.PlaneGeometry(1, 1), material);
    this.mesh.frustumCulled = false;
    this.mesh.visible = false;
    scene.add(this.mesh);
  }

  /**
   * Lays the picture of a frame behind what a camera sees, or over it.
   *
   * @param {import('../shot/seen.js').Crop} crop the part of the picture that is drawn
   */
  place(state, camera, frame, crop) {
    const part = camera && partOf(this.store.byId.get(camera), 'backplate');
    const texture = part?.pictures && isOn(part) ? this.texture(state, camera, part, frame) : null;
    this.mesh.visible = Boolean(texture);
    if (!texture) return;
    const { uniforms } = this.mesh.material;
    const { width, height } = texture.image;
    const own = state.motion.get(camera)?.own['backplate.opacity'];
    uniforms.map.value = texture;
    uniforms.opacity.value = own ? valueAt(state, own, frame) : 1;
    uniforms.part.value.set(...partOfPicture(part.fit, width / height, this.store.header.aspect));
    uniforms.middle.value.set(2 * crop.x - 1, 1 - 2 * crop.y);
    uniforms.share.value.set(crop.across, crop.up);
    const over = part.lies === 'over';
    this.mesh.material.depthTest = !over;
    this.mesh.renderOrder = over ? LAST : FIRST;
  }

  texture(state, camera, part, frame) {
    const { pictures } = part;
    const was = this.shownOf.get(camera) ?? {};
    this.shownOf.set(camera, was);
    const at = pictureAt(state, camera, pictures, frame);
    return textureAt(shelfOf(this.store), pictures.stills, at, was);
  }

  dispose() {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
