/** The bench of analog inputs, against a sensor that is not there. */
package inkel.core.tune.analog;
