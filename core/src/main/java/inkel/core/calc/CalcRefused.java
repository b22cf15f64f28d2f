package inkel.core.calc;

import inkel.core.quantity.Fact;

/** A calculation that cannot be done with what was given. */
public final class CalcRefused extends Exception {
    private static final long serialVersionUID = 1L;

    private final transient Fact reason;

    public CalcRefused(Fact reason) {
        super(reason.toString());
        this.reason = reason;
    }

    public Fact reason() {
        return reason;
    }
}
