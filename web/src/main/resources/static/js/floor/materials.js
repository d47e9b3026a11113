// How surfaces take light in the picture: matt, glowing, water; and the sky behind all.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';

export const SKY = {
  high: new THREE.Color('#86a5b5'),
  low: new THREE.Color('#f0dfc0'),
  ground: new THREE.Color('#59707a'),
};

const NOISE = `
  float hash(vec2 p) { p = fract(p * vec2(127.34, 311.71)); p += dot(p, p + 34.23); return fract(p.x * p.y); }
  float noise(vec2 p) {
    vec2 i = floor(p); vec2 f = fract(p); f = f * f * (3.0 - 2.0 * f);
    return mix(mix(hash(i), hash(i + vec2(1, 0)), f.x), mix(hash(i + vec2(0, 1)), hash(i + vec2(1, 1)), f.x), f.y);
  }`;

/** A dome that is always around the camera. */
export function makeSky() {
  const material = new THREE.ShaderMaterial({
    side: THREE.BackSide,
    depthWrite: false,
    uniforms: {
      high: { value: SKY.high }, low: { value: SKY.low }, ground: { value: SKY.ground },
      sunTo: { value: new THREE.Vector3(0, 0.3, -1) }, sunColour: { value: new THREE.Color('#ffd9a6') },
    },
    vertexShader: `varying vec3 direction;
      void main() { direction = position; gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }`,
    fragmentShader: `varying vec3 direction; uniform vec3 high, low, ground, sunTo, sunColour;
      void main() {
        vec3 d = normalize(direction);
        vec3 colour = mix(low, high, pow(clamp(d.y * 1.7, 0.0, 1.0), 0.55));
        colour = mix(colour, ground, smoothstep(0.0, -0.06, d.y));
        float near = max(dot(d, normalize(sunTo)), 0.0);
        colour += sunColour * (0.28 * pow(near, 6.0) + 0.9 * smoothstep(0.9993, 0.9997, near));
        gl_FragColor = vec4(colour, 1.0);
        #include <tonemapping_fragment>
        #include <colorspace_fragment>
      }`,
  });
  const sky = new THREE.Mesh(new THREE.SphereGeometry(900, 24, 16), material);
  sky.frustumCulled = false;
  return sky;
}

function water(colour) {
  return new THREE.ShaderMaterial({
    uniforms: {
      deep: { value: colour }, high: { value: SKY.high }, low: { value: SKY.low },
      sunTo: { value: new THREE.Vector3(0, 0.3, -1) }, sunColour: { value: new THREE.Color('#ffd9a6') },
    },
    vertexShader: `varying vec3 place;
      void main() { vec4 at = modelMatrix * vec4(position, 1.0); place = at.xyz; gl_Position = projectionMatrix * viewMatrix * at; }`,
    fragmentShader: `varying vec3 place; uniform vec3 deep, high, low, sunTo, sunColour; ${NOISE}
      void main() {
        vec3 to = cameraPosition - place; float far = length(to); vec3 eye = to / far;
        float calm = 1.0 / (1.0 + far * 0.03);
        vec2 p = place.xz;
        float e = 0.12;
        float h0 = noise(p * 0.9) + 0.5 * noise(p * 2.3 + 7.0);
        float hx = noise((p + vec2(e, 0)) * 0.9) + 0.5 * noise((p + vec2(e, 0)) * 2.3 + 7.0);
        float hz = noise((p + vec2(0, e)) * 0.9) + 0.5 * noise((p + vec2(0, e)) * 2.3 + 7.0);
        vec3 n = normalize(vec3((h0 - hx) * calm * 0.9, 1.0, (h0 - hz) * calm * 0.9));
        float fresnel = 0.04 + 0.96 * pow(1.0 - max(dot(n, eye), 0.0), 4.0);
        vec3 mirror = reflect(-eye, n);
        vec3 sky = mix(low, high, pow(clamp(mirror.y * 1.7, 0.0, 1.0), 0.55));
        vec3 colour = mix(deep * 0.75, sky, clamp(fresnel, 0.0, 0.85));
        colour += sunColour * 0.5 * pow(max(dot(mirror, normalize(sunTo)), 0.0), 90.0);
        colour = mix(colour, low, smoothstep(120.0, 430.0, far));
        gl_FragColor = vec4(colour, 1.0);
        #include <tonemapping_fragment>
        #include <colorspace_fragment>
      }`,
  });
}

export function makeMaterial(finish) {
  const colour = new THREE.Color(finish.colour);
  if (finish.kind === 'water') return water(colour);
  if (finish.kind === 'glow') return new THREE.MeshBasicMaterial({ color: colour.multiplyScalar(1.6), vertexColors: true });
  return new THREE.MeshLambertMaterial({ color: colour, vertexColors: true, side: THREE.DoubleSide });
}

/** Turns the sun in everything that mirrors or shows it. */
export function setSun(material, sunTo, colour) {
  if (!material.uniforms?.sunTo) return;
  material.uniforms.sunTo.value.copy(sunTo);
  material.uniforms.sunColour.value.copy(colour);
}
