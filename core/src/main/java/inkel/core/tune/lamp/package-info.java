/** The bench of lamps on pins: their current and resistor, how bright a level looks, and the balance of three colours. */
package inkel.core.tune.lamp;
