/** Whether the service is well, for operators and for those who wait. */
package idlelens.web.health;
