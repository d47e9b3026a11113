/** Picture files that come in: what they are, and in which order they play. */
package idlelens.web.picture;
