package inkel.core.seats;

/** A column of holes, with its place across the breadboard in steps of 2.54 mm from the letter a. */
public enum Column {
    LEFT_MINUS(-4),
    LEFT_PLUS(-3),
    A(0),
    B(1),
    C(2),
    D(3),
    E(4),
    F(7),
    G(8),
    H(9),
    I(10),
    J(11),
    RIGHT_PLUS(14),
    RIGHT_MINUS(15);

    private final int across;

    Column(int across) {
        this.across = across;
    }

    /** In steps from the letter a. */
    public int across() {
        return across;
    }

    public boolean isRail() {
        return this == LEFT_MINUS || this == LEFT_PLUS || this == RIGHT_PLUS || this == RIGHT_MINUS;
    }

    /** Whether it is of the half of the letters a to e, or of the rails beside it. */
    public boolean isLeft() {
        return across <= E.across;
    }

    /** Whether a rail is marked plus, by its printed line. */
    public boolean isPlus() {
        return this == LEFT_PLUS || this == RIGHT_PLUS;
    }

    /** The column of letters at a place across; none in the gap. */
    static Column at(int across) {
        for (Column column : values()) {
            if (!column.isRail() && column.across == across) {
                return column;
            }
        }
        throw new IllegalArgumentException("no column at " + across);
    }
}
