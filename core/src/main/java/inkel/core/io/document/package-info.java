/** Builds as files. */
package inkel.core.io.document;
