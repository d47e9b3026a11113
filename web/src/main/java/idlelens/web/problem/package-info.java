/** What can go wrong, as exceptions. */
package idlelens.web.problem;
