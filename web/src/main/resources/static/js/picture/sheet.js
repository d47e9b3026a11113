// A sheet over the whole picture, on which one drawing is made from others.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';

const VERTEX = `varying vec2 at;
  void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }`;

export class Sheet {
  /** @param {object} material of a ShaderMaterial: uniforms, fragmentShader, blending */
  constructor(material) {
    this.material = new THREE.ShaderMaterial({
      vertexShader: VERTEX,
      depthTest: false,
      depthWrite: false,
      toneMapped: false,
      ...material,
    });
    this.scene = new THREE.Scene();
    const face = new THREE.Mesh(new THREE.PlaneGeometry(2, 2), this.material);
    face.frustumCulled = false;
    this.scene.add(face);
    this.camera = new THREE.Camera();
  }

  get uniforms() {
    return this.material.uniforms;
  }

  draw(renderer) {
    renderer.render(this.scene, this.camera);
  }

  dispose() {
    this.material.dispose();
  }
}

/** Draws into something else than what the renderer draws into, which goes on afterwards. */
export function drawInto(renderer, surface, draw) {
  const before = renderer.getRenderTarget();
  renderer.setRenderTarget(surface);
  draw();
  renderer.setRenderTarget(before);
}
