/** Stage Pins: who takes which pin and address, sharing them out, and what cannot be. */
package inkel.core.pins;
