/** What is strewn by a seed: the same for ever, on every machine. Looks at nothing else. */
package idlelens.core.seed;
