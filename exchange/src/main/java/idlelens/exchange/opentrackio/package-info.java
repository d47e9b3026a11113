/**
 * OpenTrackIO (SMPTE RIS-OSVP 1.0): one JSON sample a line. Right-handed, Z up, the camera looks
 * along +Y; metres, degrees.
 */
package idlelens.exchange.opentrackio;
