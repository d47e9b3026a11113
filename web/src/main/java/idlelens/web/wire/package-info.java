/**
 * What comes in and goes out, piece by piece and without a thread waiting: bodies are received
 * before anybody works on them, answers are sent as fast as the other side reads, and whoever is
 * too slow is let go. Knows nothing of what is said.
 */
package idlelens.web.wire;
