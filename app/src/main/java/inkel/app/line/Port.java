package inkel.app.line;

import java.util.Optional;

/**
 * A serial port of this machine.
 *
 * @param path what the system calls it: {@code /dev/ttyACM0}, {@code COM3}
 * @param about what the device says of itself; empty where it says nothing
 * @param serial the number of the device itself, the same in whatever socket it is
 */
public record Port(String path, String about, Optional<String> serial) {
    /** The port without its folder. */
    public String name() {
        return path.substring(path.lastIndexOf('/') + 1);
    }

    /** What it is known by later: by its device where that has a number, else by its name. */
    public String key() {
        return serial.orElse(path);
    }
}
