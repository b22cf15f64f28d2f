/** Parts at a serial line: the rate found by trying, what a positioning receiver says, whether a bridge takes commands. */
package inkel.core.tune.serial;
