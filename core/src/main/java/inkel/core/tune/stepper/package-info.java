/** The bench of a stepper: steps for what is meant, and how fast it turns before it loses steps. */
package inkel.core.tune.stepper;
