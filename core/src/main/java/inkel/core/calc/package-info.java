/** Single calculations by name, for the command line and the benches: the same code that the stages use. */
package inkel.core.calc;
