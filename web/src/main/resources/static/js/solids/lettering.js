// Text on both sides of a card, drawn with the fonts that come along.
import * as THREE from '/webjars/three/0.181.1/build/three.module.min.js';

const PIXELS_A_METRE = 400;
const MOST_PX = 2048;
const OFF_M = 0.018; // before the face of a card, which is 3 cm thick
const LINE_SHARE = 0.78; // of a line that letters take
const FACES = { words: 'Barlow', numbers: '"Spline Sans Mono"' };

/** The text as a picture, as wide and high as the card. */
function drawn({ width, height }, text) {
  const scale = Math.min(PIXELS_A_METRE, MOST_PX / Math.max(width, height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(2, Math.round(width * scale));
  canvas.height = Math.max(2, Math.round(height * scale));
  const pen = canvas.getContext('2d');
  const line = Math.min(text.line, height / text.lines.length) * scale;
  pen.font = `${text.bold ? 600 : 400} ${line * LINE_SHARE}px ${FACES[text.face ?? 'words']}`;
  pen.fillStyle = text.ink;
  pen.textAlign = 'center';
  pen.textBaseline = 'middle';
  const first = canvas.height / 2 - ((text.lines.length - 1) * line) / 2;
  text.lines.forEach((words, i) => pen.fillText(words, canvas.width / 2, first + i * line, canvas.width));
  return canvas;
}

/** One side with text; where a card is copied, it is copied along. */
function sideOf(solid, plane, material) {
  if (!(solid instanceof THREE.InstancedMesh)) return new THREE.Mesh(plane, material);
  const side = new THREE.InstancedMesh(plane, material, solid.count);
  side.instanceMatrix = solid.instanceMatrix;
  side.frustumCulled = false;
  return side;
}

/** Puts the text of a card onto its solid; it goes with it. */
export function letter(solid, shape, finish) {
  if (shape.kind !== 'card' || !finish.text) return;
  const texture = new THREE.CanvasTexture(drawn(shape, finish.text));
  texture.colorSpace = THREE.SRGBColorSpace;
  texture.anisotropy = 4;
  const make = finish.kind === 'glow' ? THREE.MeshBasicMaterial : THREE.MeshLambertMaterial;
  const material = new make({ map: texture, transparent: true, depthWrite: false });
  for (const turn of [0, Math.PI]) {
    const plane = new THREE.PlaneGeometry(shape.width, shape.height)
      .translate(0, shape.height / 2, OFF_M)
      .rotateY(turn);
    solid.add(sideOf(solid, plane, material));
  }
  // a font that comes later is drawn when it is there
  document.fonts.load(`16px ${FACES[finish.text.face ?? 'words']}`).then(() => {
    texture.image = drawn(shape, finish.text);
    texture.needsUpdate = true;
  });
}

/** Lets go of what was put onto a solid. */
export function unletter(solid) {
  for (const side of solid.children) {
    side.geometry.dispose();
    side.material.map?.dispose();
    side.material.dispose();
  }
}
