/** The bench of what a coil moves: the volts that are left for it, how long it takes to close and to open, and how long it bounces. */
package inkel.core.tune.relay;
