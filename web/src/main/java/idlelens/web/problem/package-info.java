/** What went wrong, told as RFC 9457 problems by the API and as pages elsewhere. */
package idlelens.web.problem;
