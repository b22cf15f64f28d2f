/** The first power-up: checks in their order, with what each should read, and what became of them. */
package inkel.core.wake;
