/**
 * The document: a shot and its nodes, immutable. Values are kept as an artist typed them: metres,
 * degrees, millimetres. Looks at {@code rule}, {@code time}, {@code curve}, {@code geometry},
 * {@code lens} and {@code set}.
 */
package idlelens.core.scene;
