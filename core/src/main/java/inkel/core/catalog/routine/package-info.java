/** What a program does with a part: bytes, levels and pulses, the same for every language. */
package inkel.core.catalog.routine;
