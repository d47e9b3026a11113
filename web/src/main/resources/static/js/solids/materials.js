// How surfaces take light in the picture: matt, glowing, water; and the sky behind all.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';

export const SKY = {
  high: new THREE.Color('#6f9fc0'),
  low: new THREE.Color('#f6dcae'),
  ground: new THREE.Color('#59707a'),
  // haze over sky and water; solids take it from the scene
  haze: { value: 0 },
  hazeColour: { value: new THREE.Color('#ffffff') },
  hazeDensity: { value: 0 },
};

const hazeOf = () => ({ haze: SKY.haze, hazeColour: SKY.hazeColour, hazeDensity: SKY.hazeDensity });

const LAST = 10;
const GLOWS = 1.15; // so that a glowing colour stands out from lit ones

// Slopes of a few waves of different length and heading.
const WAVES = `
  vec2 slope(vec2 p) {
    vec2 s = vec2(0.0);
    s += vec2(0.83, 0.55) * cos(dot(p, vec2(1.02, 0.68)) + 1.7 * sin(p.y * 0.31));
    s += vec2(-0.45, 0.89) * cos(dot(p, vec2(-0.93, 1.87)) + 1.3 * sin(p.x * 0.53 + 1.0));
    s += vec2(0.97, -0.24) * 0.7 * cos(dot(p, vec2(3.9, -0.97)) + sin(p.y * 1.9));
    return s;
  }`;

/** A dome that is always around the camera. */
export function makeSky() {
  const material = new THREE.ShaderMaterial({
    side: THREE.BackSide,
    depthWrite: false,
    uniforms: {
      high: { value: SKY.high },
      low: { value: SKY.low },
      ground: { value: SKY.ground },
      ...hazeOf(),
      sunTo: { value: new THREE.Vector3(0, 0.3, -1) },
      sunColour: { value: new THREE.Color('#ffd9a6') },
    },
    vertexShader: `varying vec3 direction;
      void main() { direction = position; gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }`,
    fragmentShader: `varying vec3 direction; uniform vec3 high, low, ground, sunTo;
      uniform vec3 sunColour, hazeColour; uniform float haze;
      void main() {
        vec3 d = normalize(direction);
        vec3 colour = mix(low, high, sqrt(clamp(d.y * 2.1, 0.0, 1.0)));
        colour = mix(colour, ground, smoothstep(0.0, -0.06, d.y));
        float near = max(dot(d, normalize(sunTo)), 0.0);
        float glow = near * near * near;
        colour += sunColour * (0.2 * glow * glow + 0.9 * smoothstep(0.9993, 0.9997, near));
        colour = mix(colour, hazeColour, haze * smoothstep(0.45, 0.02, d.y));
        gl_FragColor = vec4(colour, 1.0);
        #include <colorspace_fragment>
      }`,
  });
  const sky = new THREE.Mesh(new THREE.SphereGeometry(900, 24, 16), material);
  sky.frustumCulled = false;
  sky.renderOrder = LAST;
  return sky;
}

function water(colour) {
  return new THREE.ShaderMaterial({
    uniforms: {
      deep: { value: colour },
      high: { value: SKY.high },
      low: { value: SKY.low },
      sunTo: { value: new THREE.Vector3(0, 0.3, -1) },
      sunColour: { value: new THREE.Color('#ffd9a6') },
      ...hazeOf(),
    },
    vertexShader: `varying vec3 place;
      void main() {
        vec4 at = modelMatrix * vec4(position, 1.0);
        place = at.xyz;
        gl_Position = projectionMatrix * viewMatrix * at;
      }`,
    fragmentShader: `varying vec3 place; uniform vec3 deep, high, low, sunTo, sunColour, hazeColour;
      uniform float haze, hazeDensity; ${WAVES}
      void main() {
        vec3 to = cameraPosition - place; float far = length(to); vec3 eye = to / far;
        vec2 s = slope(place.xz) * (0.055 / (1.0 + far * 0.02));
        vec3 n = normalize(vec3(s.x, 1.0, s.y));
        float glance = 1.0 - max(dot(n, eye), 0.0);
        float fresnel = min(0.05 + 0.9 * glance * glance * glance, 0.8);
        vec3 mirror = reflect(-eye, n);
        vec3 sky = mix(low, high, sqrt(clamp(mirror.y * 2.1, 0.0, 1.0)));
        vec3 colour = mix(deep * 0.7, sky, fresnel);
        float glint = max(dot(mirror, sunTo), 0.0);
        glint *= glint; glint *= glint; glint *= glint; glint *= glint; glint *= glint;
        colour += sunColour * 0.5 * glint * glint;
        colour = mix(colour, low, smoothstep(120.0, 430.0, far));
        float through = hazeDensity * far;
        colour = mix(colour, hazeColour, haze * (1.0 - exp(-through * through)));
        gl_FragColor = vec4(colour, 1.0);
        #include <colorspace_fragment>
      }`,
  });
}

export function makeMaterial(finish) {
  const colour = new THREE.Color(finish.colour);
  if (finish.kind === 'water') return water(colour);
  if (finish.kind === 'glow')
    return new THREE.MeshBasicMaterial({ color: colour.multiplyScalar(GLOWS), vertexColors: true });
  return new THREE.MeshLambertMaterial({ color: colour, vertexColors: true, side: THREE.DoubleSide });
}

/** What is drawn after all else, so that it is computed only where it can be seen. */
export const orderOf = (finish) => (finish.kind === 'water' ? LAST - 1 : 0);

/** Turns the sun in everything that mirrors or shows it. */
export function setSun(material, sunTo, colour) {
  if (!material.uniforms?.sunTo) return;
  material.uniforms.sunTo.value.copy(sunTo);
  material.uniforms.sunColour.value.copy(colour);
}

/** How bright something glows, in times of white. */
export function shine(material, colour, times) {
  material.color.set(colour).multiplyScalar(GLOWS * times);
}
