/** Rules on what was kept at the benches. */
package inkel.core.tune.rules;
