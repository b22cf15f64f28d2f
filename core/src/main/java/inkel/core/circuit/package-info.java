/** A build joined to the catalogue: parts with their classes, rails with voltages and loads, nets. */
package inkel.core.circuit;
