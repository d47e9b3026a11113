/**
 * The document: a shot and its nodes, immutable. Values are kept as an artist typed them: metres,
 * degrees, millimetres. Looks at {@code part} and what that looks at, {@code time} and {@code set}.
 */
package idlelens.core.scene;
