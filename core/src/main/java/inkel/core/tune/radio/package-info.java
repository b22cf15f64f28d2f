/** Packet radios that belong together: both ends line by line, the band, what is in a packet, reach, load, and an ether to try. */
package inkel.core.tune.radio;
