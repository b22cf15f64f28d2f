/** All words for people: the core's facts become sentences here. */
package inkel.app.words;
