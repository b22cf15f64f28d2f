package inkel.app.line;

import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import inkel.core.quantity.Fact;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFileAttributes;
import java.util.Optional;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;

/** Opens a port, reads and writes it, and opens it again when it was away: all of it in one thread. */
final class SerialListener implements BoardLine, Runnable {
    private static final int READ_MS = 50;
    private static final int AGAIN_MS = 500;
    private static final long SILENT_MS = 3000;

    private final Path folder;
    private final String path;
    private final int baud;
    private final Ear ear;
    private final Queue<String> outgoing = new ConcurrentLinkedQueue<>();
    private volatile boolean isClosed;

    SerialListener(Path folder, String path, int baud, Ear ear) {
        this.folder = folder;
        this.path = path;
        this.baud = baud;
        this.ear = ear;
    }

    BoardLine start() {
        Thread thread = new Thread(this, "inkel line");
        thread.setDaemon(true);
        thread.start();
        return this;
    }

    @Override
    public void send(String text) {
        outgoing.add(text + "\n");
    }

    @Override
    public void close() {
        isClosed = true;
    }

    @Override
    public void run() {
        try {
            SerialPorts.load(folder);
            Optional<SerialPort> port = Optional.of(open());
            while (port.isPresent()) {
                read(port.get());
                port.get().closePort();
                if (!isClosed) {
                    ear.lost();
                }
                port = again();
            }
        } catch (LineFailure failed) {
            if (!isClosed) {
                ear.failed(failed);
            }
        }
    }

    private SerialPort open() throws LineFailure {
        try {
            SerialPort port = SerialPort.getCommPort(path);
            port.setComPortParameters(baud, 8, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
            port.setFlowControl(SerialPort.FLOW_CONTROL_DISABLED);
            port.setComPortTimeouts(SerialPort.TIMEOUT_READ_SEMI_BLOCKING, READ_MS, 0);
            if (port.openPort(0)) {
                return port;
            }
        } catch (SerialPortInvalidPortException noPort) {
            throw new LineFailure(fact("line.gone"));
        }
        throw new LineFailure(why());
    }

    /** What keeps a port that there is from being opened: the system tells that by the file of the port where it has one. */
    private Fact why() {
        try {
            Path file = Path.of(path);
            if (!file.isAbsolute() || !Files.exists(file.getFileSystem().getPath("/dev"))) {
                return fact("line.busy");
            }
            if (!Files.exists(file)) {
                return fact("line.gone");
            }
            PosixFileAttributes attributes = Files.readAttributes(file, PosixFileAttributes.class);
            if (!attributes.isOther()) {
                return fact("line.no_port");
            }
            return Files.isReadable(file) && Files.isWritable(file)
                    ? fact("line.busy")
                    : fact("line.denied").with("group", attributes.group().getName());
        } catch (IOException | InvalidPathException | UnsupportedOperationException untold) {
            return fact("line.busy");
        }
    }

    private Fact fact(String key) {
        return Fact.of(key).with("port", path);
    }

    /** Until the port is gone, or nobody listens any more. */
    private void read(SerialPort port) {
        outgoing.clear();
        ear.opened();
        LineCutter cutter = new LineCutter();
        byte[] bytes = new byte[4096];
        long opened = System.nanoTime();
        boolean isSilent = true;
        while (!isClosed) {
            int count = port.readBytes(bytes, bytes.length);
            if (count < 0 || !write(port)) {
                return;
            }
            if (count > 0) {
                isSilent = false;
                for (String line : cutter.take(bytes, count)) {
                    if (!isClosed) {
                        ear.heard(line);
                    }
                }
            } else if (isSilent && System.nanoTime() - opened > SILENT_MS * 1_000_000) {
                isSilent = false;
                ear.silent();
            }
        }
    }

    private boolean write(SerialPort port) {
        String text = outgoing.poll();
        if (text == null) {
            return true;
        }
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        return port.writeBytes(bytes, bytes.length) >= 0;
    }

    /** The port once it is there again; boards with a port of their own go away for a moment whenever they start. */
    private Optional<SerialPort> again() {
        while (!isClosed) {
            try {
                Thread.sleep(AGAIN_MS);
                return Optional.of(open());
            } catch (LineFailure notYet) {
                // The builder ends it, by hand.
            } catch (InterruptedException ended) {
                Thread.currentThread().interrupt();
                return Optional.empty();
            }
        }
        return Optional.empty();
    }
}
