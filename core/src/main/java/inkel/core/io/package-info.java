/** Reading and writing files. Only what is in here knows JSON. */
package inkel.core.io;
