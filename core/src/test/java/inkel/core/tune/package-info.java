/** What all benches of Tune share. */
package inkel.core.tune;
