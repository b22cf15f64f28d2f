/** What may be wrong when a reading is not as foretold, how likely each is, and the next look that tells most apart. */
package inkel.core.diagnosis;
