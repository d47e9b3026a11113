/** Ids of requests: what was asked for once is done once, however often it is sent. */
package idlelens.web.request;
