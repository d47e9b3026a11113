/** Productions, who belongs to them, and the page that lists their shots. */
package idlelens.web.production;
