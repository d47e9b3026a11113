/**
 * Work that takes time: on a bounded number of threads, what shares a lane in order, with a
 * deadline, told while it runs, and stopped when asked. No thread of the server's own computes.
 */
package idlelens.web.work;
