/** Sensors to choose from, and those that a production keeps. */
package idlelens.web.sensor;
