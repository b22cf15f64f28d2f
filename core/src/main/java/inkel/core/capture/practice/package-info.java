/** What the wires of a practice bench do, as a capture: the buses, pulses and trains of the plan, driven by itself. */
package inkel.core.capture.practice;
