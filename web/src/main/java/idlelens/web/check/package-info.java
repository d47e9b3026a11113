/** What is checked of a camera: pace, clearance, seam and the rest, as the browser gets it. */
package idlelens.web.check;
