/** Tests of diagnosis: planted faults are found. */
package inkel.core.diagnosis;
