/**
 * The camera at the playhead, sent to whoever listens on this machine while it plays or is
 * scrubbed.
 */
package idlelens.web.live;
