// Plays a file with the loaders of three.js, which share nothing with ours: the camera's matrix in the
// world (by columns) and its angle up in degrees, at moments in seconds. A line of JSON for each.
// node world.mjs KIND FILE CAMERA SECONDS[,SECONDS...]
import { readFileSync } from 'node:fs';
import { DOMParser } from '@xmldom/xmldom';
import * as THREE from 'three';
import { ColladaLoader } from 'three/examples/jsm/loaders/ColladaLoader.js';
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js';
import { USDLoader } from 'three/examples/jsm/loaders/USDLoader.js';
import { angleAt, pointedAngles } from './lens-motion.mjs';

const [kind, file, camera, moments] = process.argv.slice(2);
globalThis.DOMParser ??= DOMParser;
globalThis.self ??= globalThis;
console.debug = () => {};
console.warn = () => {};

const octets = readFileSync(file);
const text = octets.toString('utf8');

async function opened() {
  if (kind === 'glb') {
    const data = octets.buffer.slice(octets.byteOffset, octets.byteOffset + octets.length);
    const gltf = await new GLTFLoader().parseAsync(data, '');
    return { scene: gltf.scene, clips: gltf.animations, angles: (await pointedAngles(gltf)).get(0) };
  }
  if (kind === 'dae') {
    const { scene, animations } = new ColladaLoader().parse(text, '');
    return { scene, clips: scene.animations?.length ? scene.animations : animations };
  }
  const scene = new USDLoader().parse(text);
  return { scene, clips: scene.animations ?? [] };
}

const { scene, clips, angles } = await opened();
const mixer = new THREE.AnimationMixer(scene);
clips.forEach((clip) => (mixer.clipAction(clip).setLoop(THREE.LoopOnce).play().clampWhenFinished = true));
let seen = null;
scene.traverse((o) => {
  if (o.isCamera && (o.name === camera || o.parent?.name === camera || !seen)) seen = o;
});
for (const moment of moments.split(',').map(Number)) {
  mixer.setTime(moment);
  scene.updateMatrixWorld(true);
  seen.updateMatrixWorld(true);
  const fov = angles ? angleAt(angles, moment) : seen.fov;
  process.stdout.write(`${JSON.stringify({ m: seen.matrixWorld.elements, fov })}\n`);
}
