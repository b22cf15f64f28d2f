package inkel.core.document;

import inkel.core.quantity.Fact;

/** An edit that does not fit the build it is applied to. The build is unchanged. */
public final class EditRefused extends Exception {
    private static final long serialVersionUID = 1L;

    private final transient Fact reason;

    public EditRefused(Fact reason) {
        super(reason.toString());
        this.reason = reason;
    }

    public Fact reason() {
        return reason;
    }
}
