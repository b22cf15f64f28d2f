package inkel.app.line;

import inkel.core.quantity.Fact;

/** Why a port cannot be listened to, to be worded for people. */
public final class LineFailure extends Exception {
    private static final long serialVersionUID = 1L;

    private final transient Fact why;

    public LineFailure(Fact why) {
        super(why.key());
        this.why = why;
    }

    public Fact why() {
        return why;
    }
}
