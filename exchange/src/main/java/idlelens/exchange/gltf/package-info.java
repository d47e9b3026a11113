/**
 * glTF 2.0, {@code .glb} and {@code .gltf}, in and out. Reading goes in four layers: {@code
 * GlbContainer} (octets to chunks), {@code GltfFile} (chunks to definitions, every index resolved
 * in one place), {@code GltfSampler} (animation), {@code GltfReader} (definitions to nodes of a
 * shot). Nothing outside the given octets is ever read. Axes and units are those of the product:
 * metres, +Y up, a camera looks along -Z.
 */
package idlelens.exchange.gltf;
