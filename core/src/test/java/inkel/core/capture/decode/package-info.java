/** Decoders against frames made by a generator that shares nothing with them. */
package inkel.core.capture.decode;
