/**
 * How a rule says no: one exception that names the place, what was found and what is allowed, and
 * the checks that raise it. Every other package may look at this one; it looks at nothing.
 */
package idlelens.core.rule;
