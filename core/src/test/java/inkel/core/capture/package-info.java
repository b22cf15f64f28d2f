/** Capture files, good and bad. */
package inkel.core.capture;
