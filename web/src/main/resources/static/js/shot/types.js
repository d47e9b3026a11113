// The shapes of what the server sends, for checked types; nothing in here runs.

/**
 * A key: frame, value, tangent; behind a free tangent its handles (frames and value, in and out), whether they are
 * joined, and whether each has its own length.
 *
 * @typedef {[number, number, string, ...any[]]} Key
 */

/** @typedef {{rest?: number, keys: Key[], before?: string, after?: string}} Curve */

/** @typedef {{node?: string, point?: number[], place?: number[]}} Target */

/** @typedef {{from?: number, to?: number, fadeIn?: number, fadeOut?: number}} Window */

/**
 * A part of a chain: its kind, its id where there may be several, whether it is on, its window; then its settings, and
 * a curve or a still number for each parameter that is not as usual.
 *
 * @typedef {{part: string, id?: string, on?: boolean, window?: Window, [setting: string]: any}} Part
 */

/** @typedef {{id?: string, frame?: number, node?: string, offset?: number[], settle?: number}} Carrying */

/** @typedef {{leftOut: string[], locked: string[]}} TakesKeys */

/**
 * @typedef {object} Node
 * @property {string} id
 * @property {string} name
 * @property {string} kind camera, null, piece, rail, repeat, sun, light, mist or haze
 * @property {boolean | import('./hidden.js').Where[]} [hidden]
 * @property {TakesKeys} [takesKeys]
 * @property {Part[]} chain complete: what every chain has is in it
 * @property {any} [shape] of a piece
 * @property {any} [finish] of a piece
 * @property {any} [rail] shape of a rail
 * @property {any} [repeat] of a repeat
 * @property {any} [lamp] of a light
 * @property {any} [mist] of a mist
 * @property {any} [haze] of a haze
 * @property {string} [colour] of a sun
 * @property {number} [strength] of a sun
 */

/** @typedef {{id: string, frame: number, name: string, kind: string, node?: string}} Marker */

/**
 * @typedef {object} Header
 * @property {string} name
 * @property {string} rate such as 24 or 24000/1001
 * @property {number} in
 * @property {number} out
 * @property {number} handles
 * @property {number} aspect
 * @property {number} metresPerUnit
 * @property {string} newKeys
 */

/**
 * A family of parameters: what they share that are drawn on one axis.
 *
 * @typedef {{id: string, unit: string, quantity: string, digits: number, step: number, tolerance: number}} Family
 */

/**
 * What can be keyed, with what its family says.
 *
 * @typedef {object} Parameter
 * @property {string} id
 * @property {string} label as it stands alone
 * @property {string} name as it stands in a sentence
 * @property {string} family
 * @property {string} unit
 * @property {string} quantity what a typed number measures
 * @property {number} digits
 * @property {number} step
 * @property {number} least
 * @property {number} most
 * @property {number} usual
 * @property {string} colour a hue of the palette
 */

/**
 * @typedef {object} PartKind
 * @property {string} part
 * @property {string} label
 * @property {string} says
 * @property {string} slot own, space, world or lens
 * @property {boolean} many
 * @property {boolean} source
 * @property {boolean} window
 * @property {string[]} nodes
 * @property {Parameter[]} parameters
 */

/** @typedef {{x: number, y: number, z: number, qx: number, qy: number, qz: number, qw: number}} Pose */

/**
 * The motion of a node: columns of one number for all samples, or one for each.
 *
 * @typedef {object} Motion
 * @property {string} id
 * @property {Float32Array} x metres in the world, as y and z
 * @property {Float32Array} y
 * @property {Float32Array} z
 * @property {Float32Array} qx unit quaternion, as qy, qz and qw
 * @property {Float32Array} qy
 * @property {Float32Array} qz
 * @property {Float32Array} qw
 * @property {Float32Array} pace metres a second
 * @property {Record<string, Float32Array>} own parameters by path
 * @property {Record<string, Float32Array>} [lens]
 * @property {Float32Array} [anchors] of a rail
 * @property {Record<string, Record<string, Float32Array>>} [curves]
 * @property {boolean} [slopes]
 * @property {Float32Array} [path]
 * @property {[string, number, number, number][]} [overshoots]
 * @property {[string, number, number, number][]} [creeps]
 */

/** @typedef {{first: number, count: number, stepsPerFrame?: number}} Grid */

/** @typedef {{motion: Map<string, Motion>, grid: Grid}} Sampled */

/** @typedef {Sampled & {revision: number, name: string}} Ghost */

/** @typedef {{edit: string, [field: string]: any}} Edit */

export {};
