/** Tests of the network: by hand, by conservation, and against a second solver. */
package inkel.core.bench.net;
