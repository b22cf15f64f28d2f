package inkel.app.line;

/** Is told what comes over a line, in the line's own thread. */
public interface Ear {
    /** The port is open; again, after it was lost. */
    void opened();

    /** A whole line, without its end. */
    void heard(String line);

    /** Nothing has come for some seconds since the port was opened; told once. */
    void silent();

    /** The port went away; it is tried again until it is closed. */
    void lost();

    /** The port cannot be opened; nothing more comes. */
    void failed(LineFailure why);
}
