/** What a builder owns, what a build takes of it, what is to be got, and how far one comes tonight. */
package inkel.core.drawer;
