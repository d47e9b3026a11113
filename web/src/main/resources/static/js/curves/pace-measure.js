// The pace of a ride in metres along its rail.
import { boundsOf, metresAt, pacedRide, percentAt } from '../shot/rails.js';

/**
 * How the pace of the first of some nodes that rides at a keyed one is measured in metres; null where none does.
 *
 * @param {string[]} ids
 * @returns {import('./graph-grid.js').Measure | null}
 */
export function paceMeasure(store, ids) {
  const node = ids.map((id) => store.byId.get(id)).find(pacedRide);
  const ride = node && pacedRide(node);
  if (!ride) return null;
  return {
    axis: 'pace',
    name: 'm',
    of: (percent) => metresAt(store, node.id, ride, percent),
    value: (metres) => percentAt(store, node.id, ride, metres),
    signature: `${node.id} ${boundsOf(store, node.id, ride).join()}`,
  };
}
