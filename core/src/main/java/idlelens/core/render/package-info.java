/**
 * Plain pictures of a shot, drawn without a browser: what stands where, lit flat, for plates that
 * others hold their pictures against. They are no rushes.
 */
package idlelens.core.render;
