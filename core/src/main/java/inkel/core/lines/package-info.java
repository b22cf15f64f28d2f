/** Long lines between tables: which transceivers hang on one, in which order, and what stands across its two wires. */
package inkel.core.lines;
