// Depth of field and motion blur while there is no time: one drawing, its points gathered from around. What moves by
// itself is not drawn out, and what is out of focus does not reach over what is sharp.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { isParallel } from '../shot/seen.js';
import { FARTHEST_M, NEAREST_M } from '../solids/look-through.js';
import { drawInto, Sheet } from './sheet.js';

const MOST_PX = 48;
const LEAST_PX = 0.4; // of blur that is worth a second drawing
const TAPS = 8;

const GATHERING = `
  uniform sampler2D colour, depth; uniform mat4 toOpen, toClose; uniform vec2 size;
  uniform float disc, focus, squeeze; uniform bool parallel, plated; varying vec2 at;
  const float NEAR = ${NEAREST_M.toFixed(4)}, FAR = ${FARTHEST_M.toFixed(1)}, TAPS = ${TAPS.toFixed(1)};
  float far(float z) { return parallel ? mix(NEAR, FAR, z) : NEAR * FAR / (FAR - z * (FAR - NEAR)); }
  float radius(float d) { return min(0.5 * disc * abs(d - focus) / d, ${MOST_PX.toFixed(1)}); }
  vec2 seen(mat4 from, vec3 place) {
    vec4 p = from * vec4(place, 1.0);
    return p.w > 0.0 ? clamp(p.xy / p.w * 0.5 + 0.5, -0.5, 1.5) : at;
  }
  void main() {
    float z = texture2D(depth, at).r;
    float d = far(z), r = radius(d);
    vec3 place = vec3(at, z) * 2.0 - 1.0;
    vec2 open = seen(toOpen, place), close = seen(toClose, place);
    float reach = max(r, 0.5 * length((close - open) * size));
    if (reach < 0.8 || plated && z >= 1.0) { // too little to be seen, or a backplate: as it is
      gl_FragColor = vec4(texture2D(colour, at).rgb, 1.0);
      #include <colorspace_fragment>
      return;
    }
    float taps = clamp(floor(1.0 + reach), 3.0, TAPS); // no more than there are points to gather
    float noise = fract(52.9829189 * fract(dot(gl_FragCoord.xy, vec2(0.06711056, 0.00583715))));
    vec3 sum = vec3(0.0); float weight = 0.0;
    for (float i = 0.0; i < TAPS; i++) {
      if (i >= taps) break;
      float turn = 2.39996 * i + 6.28319 * noise, off = r * sqrt((i + 0.5) / taps);
      vec2 p = mix(open, close, (i + noise) / taps) + off * vec2(cos(turn) / squeeze, sin(turn)) / size;
      float there = far(texture2D(depth, p).r);
      float w = there < d * 0.98 && radius(there) < off * 0.9 ? 0.02 : 1.0;
      sum += w * texture2D(colour, p).rgb; weight += w;
    }
    gl_FragColor = vec4(sum / weight, 1.0);
    #include <colorspace_fragment>
  }`;

export class FastBlur {
  constructor(renderer) {
    this.renderer = renderer;
    const depthTexture = new THREE.DepthTexture(1, 1);
    const plain = {
      depthTexture,
      minFilter: THREE.NearestFilter,
      magFilter: THREE.NearestFilter,
      generateMipmaps: false,
    };
    this.target = new THREE.WebGLRenderTarget(1, 1, { type: THREE.HalfFloatType, ...plain });
    this.sheet = new Sheet({
      uniforms: {
        colour: { value: this.target.texture },
        depth: { value: depthTexture },
        toOpen: { value: new THREE.Matrix4() },
        toClose: { value: new THREE.Matrix4() },
        size: { value: new THREE.Vector2() },
        disc: { value: 0 },
        focus: { value: 1 },
        squeeze: { value: 1 },
        parallel: { value: false },
        plated: { value: false },
      },
      fragmentShader: GATHERING,
    });
  }

  /**
   * Draws with blur, or as it is where that is too little to be seen.
   *
   * @param {() => void} draw the set
   * @param {any} camera of the drawing, where the shot's camera is
   * @param {any} lens what that is set to
   * @param {{open: any, close: any, plated: boolean}} moments matrices from the world into the picture as the shutter
   *   opens and closes, and whether what is farthest is a backplate, which has its own blur
   */
  draw(draw, camera, lens, { open, close, plated }) {
    const { renderer } = this;
    const size = renderer.getDrawingBufferSize(this.sheet.uniforms.size.value);
    const discPx = (lens.blurFarMm / lens.gateHeightMm) * size.y;
    if (discPx < LEAST_PX && !open) {
      draw();
      return;
    }
    this.target.setSize(size.x, size.y);
    drawInto(renderer, this.target, draw);
    const { uniforms } = this.sheet;
    const back = camera.matrixWorld.clone().multiply(camera.projectionMatrixInverse);
    uniforms.toOpen.value = open ? open.clone().multiply(back) : new THREE.Matrix4();
    uniforms.toClose.value = close ? close.clone().multiply(back) : new THREE.Matrix4();
    uniforms.disc.value = discPx;
    uniforms.focus.value = lens.focusM;
    uniforms.squeeze.value = lens.squeeze;
    uniforms.parallel.value = isParallel(lens);
    uniforms.plated.value = plated;
    this.sheet.draw(renderer);
  }

  dispose() {
    this.target.dispose();
    this.sheet.dispose();
  }
}
