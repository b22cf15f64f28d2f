/** The bench of a converter that gives volts: the line from codes to volts, its true reference, and how far a code is off it. */
package inkel.core.tune.out;
