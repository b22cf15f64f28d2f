/** The rules of stage Pins. */
package inkel.core.pins.rules;
