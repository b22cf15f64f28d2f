/** A direct-current network by itself: points, elements between them, and the volts and amperes that settle. It knows nothing of builds. */
package inkel.core.bench.net;
