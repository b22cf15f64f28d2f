/** The bench of a colour sensor: what each colour reads, which two of them mix, and what is under it now. */
package inkel.core.tune.colour;
