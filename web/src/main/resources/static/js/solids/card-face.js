// A card that shows pictures: they fill it, and what is transparent in them is not there.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';
import { pictureAt } from '../shot/card-pictures.js';
import { ROOM_PX, shelfOf } from './picture-shelf.js';

const SEEN_FROM = 0.02; // of opacity; what is less hides nothing behind it
const AHEAD = 8; // pictures of a long sequence that are fetched before they are shown
const SHORT_PX = ROOM_PX / 4; // a sequence up to this is fetched whole, so that playing asks for nothing

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

const isShort = (stills) => stills.reduce((sum, { width, height }) => sum + width * height, 0) <= SHORT_PX;

/**
 * The texture of a still, or null while it is not here; those that follow are fetched ahead.
 *
 * @param {{shownAt?: number}} was which one was shown before
 */
export function textureAt(shelf, stills, at, was) {
  const texture = shelf.take(stills[at].asset);
  if (was.shownAt !== at) {
    const ahead = Math.min(isShort(stills) ? Infinity : AHEAD, stills.length - 1);
    shelf.prepare(Array.from({ length: ahead }, (_, k) => stills[(at + 1 + k) % stills.length].asset));
    was.shownAt = at;
  }
  return texture;
}

/** Puts the picture of a frame onto a card; tells whether it is another one than before. */
export function turnTo(solid, store, state, node, frame) {
  const shelf = shelfOf(store);
  const { stills } = node.finish.pictures;
  const at = pictureAt(state, node.id, node.finish.pictures, frame);
  const texture = textureAt(shelf, stills, at, solid.userData);
  const { material } = solid;
  if (!texture && shelf.missing.has(stills[at].asset)) material.visible = true; // a white card rather than none
  if (!texture || material.map === texture) return false; // the one before stays until it is here
  material.needsUpdate = !material.map;
  material.map = texture;
  material.visible = true;
  return true;
}
