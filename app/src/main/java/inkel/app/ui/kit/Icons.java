package inkel.app.ui.kit;

/** Outlines of the icons, drawn for Inkel. */
public final class Icons {
    public static final String UNDO = "M2 6 L7 1 V4 H10 A5 5 0 0 1 10 14 H5 V12 H10 A3 3 0 0 0 10 8 H7 V11 Z";
    public static final String REDO = "M16 6 L11 1 V4 H8 A5 5 0 0 0 8 14 H13 V12 H8 A3 3 0 0 1 8 8 H11 V11 Z";
    public static final String TICK = "M1 6 L3 4 L6 7 L12 1 L14 3 L6 11 Z";

    /** A module that is open can be folded away, a folded one opened. */
    public static final String FOLD = "M1 3 L3 1 L7 5 L11 1 L13 3 L7 9 Z";

    public static final String OPEN = "M3 1 L1 3 L5 7 L1 11 L3 13 L9 7 Z";

    /** Two threads that cross: Inkel's own mark. */
    public static final String MARK =
            "M0 14 C6 14 6 2 12 2 C18 2 18 14 24 14 C28 14 29 10 31 6 L33 7 C31 12 29 16.5 24 16.5 C16 16.5 17 4.5 12 4.5 "
                    + "C7 4.5 8 16.5 0 16.5 Z";

    private Icons() {}
}
