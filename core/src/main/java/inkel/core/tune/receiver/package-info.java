/** The bench of a radio-control receiver: what each channel gives, how much it trembles, and what comes when the signal is lost. */
package inkel.core.tune.receiver;
