/** Tern Quay: the made-up harbour on which all demo shots play, and the demo account. */
package idlelens.web.demo;
