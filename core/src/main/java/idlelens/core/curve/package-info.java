/**
 * Keys and the curves through them: their evaluation ({@code Curve}, {@code CurvePlayer}), keys put
 * in without a change ({@code KeyInsertion}), overshoot and its cure, fitting and reduction. A
 * frame is a double, a value is in the unit of its channel; handles of a free key are offsets
 * (frames, value) from it. Looks only at {@code rule} and {@code time}.
 */
package idlelens.core.curve;
