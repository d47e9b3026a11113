/** What productions keep under names for all their shots. */
package idlelens.web.kept;
