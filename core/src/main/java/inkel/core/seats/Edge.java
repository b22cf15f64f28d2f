package inkel.core.seats;

/**
 * What joins two posts.
 *
 * @param step which step of the list it is of, from 0; -1 for a wire that only the breadboard makes necessary
 * @param isPiece a resistor, capacitor or diode from post to post, which joins no nets
 */
record Edge(int step, int from, int to, boolean isPiece) {
    boolean isBridge() {
        return step < 0;
    }

    int other(int post) {
        return post == from ? to : from;
    }
}
