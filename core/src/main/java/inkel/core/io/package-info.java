/** Reading and writing files. The only package that knows JSON. */
package inkel.core.io;
