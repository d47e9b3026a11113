/**
 * Sensors, fields of view, depth of field. Lengths of lens and sensor in millimetres (names end in
 * {@code Mm}), distances in the set in metres ({@code M}), angles in radians. Looks only at {@code
 * geometry} and {@code rule}.
 */
package idlelens.core.lens;
