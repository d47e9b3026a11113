/**
 * Shots: storage with revisions, the flow of one edit, undo, samples as octets, and the word to the
 * other windows. {@code ShotService} is the only one that changes a shot.
 */
package idlelens.web.shot;
