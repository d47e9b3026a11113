/**
 * Who may do what: roles in productions, the right that every route asks for, and the one place
 * that lets in or refuses. Knows nothing of what the routes do.
 */
package idlelens.web.access;
