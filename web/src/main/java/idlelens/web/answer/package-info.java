/** What goes wrong, told: as RFC 9457 problems by the API, as pages elsewhere. */
package idlelens.web.answer;
