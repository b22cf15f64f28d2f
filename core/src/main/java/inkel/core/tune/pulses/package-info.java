/** The bench of what gives pulses: how many for what is meant, or how long for how far. */
package inkel.core.tune.pulses;
