package inkel.app.line;

import java.util.List;

/** The serial ports there are. */
public interface Ports {
    /**
     * Those that are plugged in now; nothing is opened for it.
     *
     * @throws LineFailure where ports cannot be reached on this machine
     */
    List<Port> list() throws LineFailure;

    /**
     * Listens in a thread of its own and returns at once; all that comes of it is told to the ear.
     *
     * @param baud bits a second; eight of them a letter, no parity, one stop
     */
    BoardLine listen(String path, int baud, Ear ear);
}
