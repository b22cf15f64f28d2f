/** Rules of the record. */
package inkel.core.log.rules;
