/** The promises of docs/promises.md, tried with files, kills and places that no builder would think of. */
package inkel.stress;
