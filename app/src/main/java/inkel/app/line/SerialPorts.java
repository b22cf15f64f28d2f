package inkel.app.line;

import com.fazecast.jSerialComm.SerialPort;
import inkel.core.quantity.Fact;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The real ports, by a library. */
public final class SerialPorts implements Ports {
    private static final String UNKNOWN = "Unknown";

    private final Path folder;

    /** @param folder where the library may put what it unpacks */
    public SerialPorts(Path folder) {
        this.folder = folder;
    }

    @Override
    public List<Port> list() throws LineFailure {
        load(folder);
        List<Port> ports = new ArrayList<>();
        for (SerialPort port : SerialPort.getCommPorts()) {
            String about = port.getDescriptivePortName();
            ports.add(new Port(
                    port.getSystemPortPath(),
                    about == null || about.equals(port.getSystemPortName()) ? "" : about,
                    serial(port)));
        }
        return ports;
    }

    private static Optional<String> serial(SerialPort port) {
        return Optional.ofNullable(port.getSerialNumber())
                .map(String::strip)
                .filter(number -> !number.isEmpty() && !number.equals(UNKNOWN));
    }

    @Override
    public BoardLine listen(String path, int baud, Ear ear) {
        return new SerialListener(folder, path, baud, ear).start();
    }

    /**
     * Loads the library, once. It unpacks its native part where the machine keeps files for a while, and looks that up when
     * its class is made: for that moment the place is the given one.
     */
    static synchronized void load(Path folder) throws LineFailure {
        String usual = System.getProperty("java.io.tmpdir");
        System.setProperty("fazecast.jSerialComm.appid", "inkel");
        System.setProperty("java.io.tmpdir", folder.toString());
        try {
            SerialPort.getVersion();
        } catch (LinkageError noLibrary) {
            throw new LineFailure(Fact.of("line.no_library")
                    .with("system", System.getProperty("os.name"))
                    .with("machine", System.getProperty("os.arch").toLowerCase(Locale.ROOT)));
        } finally {
            System.setProperty("java.io.tmpdir", usual);
        }
    }
}
