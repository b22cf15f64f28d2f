package inkel.app.line;

/** A line that is listened to. */
public interface BoardLine extends AutoCloseable {
    /** Sends a line; returns at once. What is sent while the port is away is lost. */
    void send(String text);

    /** Ends the listening; nothing is told after it. Returns at once. */
    @Override
    void close();
}
