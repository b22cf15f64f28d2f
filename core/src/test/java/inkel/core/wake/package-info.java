/** Tests of the first power-up. */
package inkel.core.wake;
