/** What code takes from the plan and from all benches together. */
package inkel.core.tune.code;
