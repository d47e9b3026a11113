// Puts a camera where one of the shot stands, so that it sees what that sees.

/** Nearest and farthest that is drawn, in metres. */
export const [NEAREST_M, FARTHEST_M] = [0.05, 2000];

/**
 * @param {any} camera of the drawing
 * @param {import('../shot/types.js').Pose} pose
 * @param {import('../shot/seen.js').Seen} seen
 */
export function lookThrough(camera, pose, { across, up, right, above, parallel }) {
  camera.position.set(pose.x, pose.y, pose.z);
  camera.quaternion.set(pose.qx, pose.qy, pose.qz, pose.qw);
  camera.updateMatrixWorld();
  const edges = [right - across, right + across, above + up, above - up];
  camera.isOrthographicCamera = parallel;
  camera.isPerspectiveCamera = !parallel;
  if (parallel) project(camera, edges, 'makeOrthographic');
  else
    project(
      camera,
      edges.map((tangent) => tangent * NEAREST_M),
      'makePerspective',
    );
  camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert();
}

/** @param {any} camera @param {number[]} edges @param {string} way */
function project(camera, [left, right, top, bottom], way) {
  camera.projectionMatrix[way](left, right, top, bottom, NEAREST_M, FARTHEST_M, camera.coordinateSystem);
}
