/** Tests of what a board tells of itself. */
package inkel.core.wake.report;
