/** Tests of the bench: what readings are foretold of builds. */
package inkel.core.bench;
