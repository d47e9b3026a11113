/** Files out and files in. */
package idlelens.web.handoff;
