/**
 * A simulated handheld tracker: a stand-in for a device that sends samples of OpenTrackIO over the
 * network, with the trouble that networks make. Looks at {@code core} and {@code exchange}.
 */
package idlelens.tracker;
