// Reads a file that has a row for each frame, with libraries that share nothing with ours: the camera's matrix in
// the world (by columns, +Y up) and its angle up in degrees. A line of JSON for each row.
// node rows.mjs csv|opentrackio FILE
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import * as THREE from 'three';

const [kind, file] = process.argv.slice(2);
const RADIANS = Math.PI / 180;
const UPRIGHT = new THREE.Matrix4().makeRotationX(-90 * RADIANS);

/** Turns as three.js puts them together: the first letter of the order is the outermost. */
function matrix({ x, y, z }, angles, order) {
  const turn = new THREE.Quaternion().setFromEuler(new THREE.Euler(...angles.map((a) => a * RADIANS), order));
  return new THREE.Matrix4().compose(new THREE.Vector3(x, y, z), turn, new THREE.Vector3(1, 1, 1));
}

/** Pan about y, tilt about x, roll about z. */
const ofTable = (row) => ({ m: matrix(row, [row.tilt, row.pan, row.roll], 'YXZ'), fov: row.vfov_deg });

/** Pan about z, which is up, tilt about x, roll about y, along which the camera looks. */
function ofSample({ transforms, static: still, lens }) {
  const { pan, tilt, roll } = transforms[0].rotation;
  const theirs = matrix(transforms[0].translation, [tilt, roll, pan], 'ZXY');
  const m = UPRIGHT.clone().multiply(theirs).multiply(UPRIGHT.clone().invert());
  const { height } = still.camera.activeSensorPhysicalDimensions;
  return { m, fov: (2 * Math.atan(height / 2 / lens.pinholeFocalLength)) / RADIANS };
}

const text = readFileSync(file, 'utf8');
const rows =
  kind === 'csv'
    ? Papa.parse(text, { header: true, comments: '#', dynamicTyping: true, skipEmptyLines: true }).data.map(ofTable)
    : text
        .trim()
        .split('\n')
        .map((line) => ofSample(JSON.parse(line)));
for (const { m, fov } of rows) process.stdout.write(`${JSON.stringify({ m: m.elements, fov })}\n`);
