/** What is wrong with packet radios that belong together. */
package inkel.core.tune.radio.rules;
