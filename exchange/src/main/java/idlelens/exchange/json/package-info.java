/**
 * The shot document and edits as JSON. {@code ShotJson} is the storage form and the {@code .json}
 * exchange form; {@code EditJson} is what the API takes and what history keeps.
 */
package idlelens.exchange.json;
