/** Where everything sits on breadboards, and which hole each end of a wire goes into. */
package inkel.core.seats;
