/** Benchmarks, probes and pictures: what the makers of Inkel run, and what is not shipped. */
package inkel.app.lab;
