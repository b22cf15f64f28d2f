/** The bench of an infrared receiver: keys of handsets, learnt and named, with what each does. */
package inkel.core.tune.infrared;
