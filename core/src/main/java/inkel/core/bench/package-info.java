/** What every point of a build should read: the build as a direct-current network, probes on it, and the bands they lie in. */
package inkel.core.bench;
