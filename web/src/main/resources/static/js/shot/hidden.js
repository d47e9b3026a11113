// Where a node is not shown: in views (plan, side, outside), in the picture, in files that go out.

/** @typedef {'views' | 'picture' | 'files'} Where */

/** @type {Where[]} */
export const EVERYWHERE = ['views', 'picture', 'files'];

/** The places where a node itself is hidden; true stands for views and picture. @returns {Where[]} */
export const hiddenIn = (node) => (node.hidden === true ? ['views', 'picture'] : node.hidden || []);

/** @param {Where} where */
export const isHiddenIn = (node, where) => hiddenIn(node).includes(where);
