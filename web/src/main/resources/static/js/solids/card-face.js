// A card that shows pictures: they fill it, and what is transparent in them is not there.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { pictureAt } from '../shot/card-pictures.js';
import { shelfOf } from './picture-shelf.js';

const SEEN_FROM = 0.02; // of opacity; what is less hides nothing behind it
const AHEAD = 8; // pictures that are fetched before they are shown

export const isPictured = (node) => node.shape.kind === 'card' && Boolean(node.finish.pictures);

/** Standing on its lower edge, like the board of a card. */
export function faceGeometry({ width, height }) {
  return new THREE.PlaneGeometry(width, height).translate(0, height / 2, 0);
}

export function faceMaterial(finish) {
  const make = finish.kind === 'glow' ? THREE.MeshBasicMaterial : THREE.MeshLambertMaterial;
  const material = new make({ transparent: true, alphaTest: SEEN_FROM, side: THREE.DoubleSide });
  material.visible = false; // until its picture is here
  return material;
}

/** Puts the picture of a frame onto a card; tells whether it is another one than before. */
export function turnTo(solid, store, state, node, frame) {
  const shelf = shelfOf(store);
  const { stills } = node.finish.pictures;
  const at = pictureAt(state, node, frame);
  const texture = shelf.take(stills[at].asset);
  const ahead = Math.min(AHEAD, stills.length - 1);
  shelf.prepare(Array.from({ length: ahead }, (_, k) => stills[(at + 1 + k) % stills.length].asset));
  const { material } = solid;
  if (!texture && shelf.missing.has(stills[at].asset)) material.visible = true; // a white card rather than none
  if (!texture || material.map === texture) return false; // the one before stays until it is here
  material.needsUpdate = !material.map;
  material.map = texture;
  material.visible = true;
  return true;
}
