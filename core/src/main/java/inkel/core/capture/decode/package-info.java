/** Edges as messages: pulses, serial lines, I2C, SPI, infrared. */
package inkel.core.capture.decode;
