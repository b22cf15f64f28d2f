/** Texts and trees of JSON, whole files in one move, and what to say when one is not as it should be. */
package inkel.core.io.json;
