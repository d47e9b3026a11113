/** Who belongs to a production, as its owners say. */
package idlelens.web.member;
