/** The bench of a lamp that sends infrared: its carrier, its current in bursts, what one message takes. */
package inkel.core.tune.sender;
