// The mean of many drawings, in linear light: each is drawn as it is, then added up in floating point.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { drawInto, Sheet } from './sheet.js';

/** Point for point. */
const AS_IT_IS = { minFilter: THREE.NearestFilter, magFilter: THREE.NearestFilter, generateMipmaps: false };

const adding = () => ({
  uniforms: { pass: { value: null }, weight: { value: 1 } },
  fragmentShader: `uniform sampler2D pass; uniform float weight; varying vec2 at;
    void main() { gl_FragColor = vec4(min(texture2D(pass, at).rgb, 60000.0), 1.0) * weight; }`,
  blending: THREE.CustomBlending,
  blendSrc: THREE.OneFactor,
  blendDst: THREE.OneFactor,
  transparent: true,
});

/** Tone comes last: what is brighter than white is white only in the mean. */
const showing = () => ({
  uniforms: { sum: { value: null } },
  fragmentShader: `uniform sampler2D sum; varying vec2 at;
    void main() {
      vec4 all = texture2D(sum, at);
      gl_FragColor = vec4(all.rgb / max(all.a, 1e-6), 1.0);
      #include <colorspace_fragment>
    }`,
});

/** Whether sums of floating-point numbers can be made here. */
export function canAccumulate(renderer) {
  const gl = renderer.getContext();
  return Boolean(gl.getExtension('EXT_color_buffer_float') && gl.getExtension('EXT_float_blend'));
}

export class Accumulation {
  constructor(renderer) {
    this.renderer = renderer;
    this.adding = new Sheet(adding());
    this.showing = new Sheet(showing());
    this.one = new THREE.WebGLRenderTarget(1, 1, { type: THREE.HalfFloatType, ...AS_IT_IS });
    this.sum = new THREE.WebGLRenderTarget(1, 1, { type: THREE.FloatType, depthBuffer: false, ...AS_IT_IS });
    this.adding.uniforms.pass.value = this.one.texture;
    this.showing.uniforms.sum.value = this.sum.texture;
  }

  /** Begins anew. */
  clear(width, height) {
    this.one.setSize(width, height);
    this.sum.setSize(width, height);
    drawInto(this.renderer, this.sum, () => {
      this.renderer.setClearColor('#000000', 0);
      this.renderer.clear();
    });
  }

  /** Adds what a function draws, so many times. */
  add(draw, weight = 1) {
    drawInto(this.renderer, this.one, draw);
    this.adding.uniforms.weight.value = weight;
    const { autoClear } = this.renderer;
    this.renderer.autoClear = false;
    drawInto(this.renderer, this.sum, () => this.adding.draw(this.renderer));
    this.renderer.autoClear = autoClear;
  }

  /** Shows the mean of all that were added, on the canvas. */
  show() {
    this.showing.draw(this.renderer);
  }

  /** The sums of a part of it: red, green, blue and how many there are, for each point from the lower left. */
  read(x, y, width, height) {
    const out = new Float32Array(width * height * 4);
    this.renderer.readRenderTargetPixels(this.sum, x, y, width, height, out);
    return out;
  }

  dispose() {
    this.one.dispose();
    this.sum.dispose();
    this.adding.dispose();
    this.showing.dispose();
  }
}
