/** Definitions of parts: the shipped ones, the builder's shelf, the form that makes one. */
package inkel.core.io.catalog;
