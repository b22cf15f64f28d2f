/** What may be wrong on a bench: every fault is data that makes of the plan the bench that it is wrong on. */
package inkel.core.bench.fault;
