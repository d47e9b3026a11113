/**
 * OpenUSD text ({@code .usda}). In three layers: marks of the text ({@link
 * idlelens.exchange.usd.UsdText}), prims with their properties ({@link
 * idlelens.exchange.usd.UsdParser}), and what they mean. Lengths of lenses are tenths of a scene
 * unit; matrices stand by rows for row vectors, which is by columns for ours.
 */
package idlelens.exchange.usd;
