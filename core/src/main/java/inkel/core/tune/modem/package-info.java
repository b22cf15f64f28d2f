/** A modem for texts: its script, what its answers mean, and one that is not there. */
package inkel.core.tune.modem;
