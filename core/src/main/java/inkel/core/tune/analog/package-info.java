/** The bench of analog inputs: range, noise, the true reference, and the line from codes to what is meant. */
package inkel.core.tune.analog;
