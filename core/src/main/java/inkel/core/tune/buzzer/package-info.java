/** The bench of a buzzer: the pitch at which it is loudest, or the shortest beep that is heard, and how its timer makes a tone. */
package inkel.core.tune.buzzer;
