/** Tests of faults: what each makes of the readings. */
package inkel.core.bench.fault;
