package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import java.util.List;
import java.util.Optional;

/** The two wires of an I2C bus among channels that nobody named: read the right way about, they carry whole messages. */
record Bus(Channel sda, Channel scl) {
    /** So many edges tell which is which. */
    static final int ENOUGH = 20_000;

    /** A start, a byte and an end have more edges than that. */
    private static final int FEW = 3;

    private static final double WHOLE = 0.8;

    /** @return the pair with the most bytes in whole messages */
    static Optional<Bus> of(Capture capture) {
        Capture begun = capture.beginning(ENOUGH);
        List<Channel> channels = begun.channels();
        Optional<Bus> best = Optional.empty();
        int most = 0;
        for (int sda = 0; sda < channels.size(); sda++) {
            for (int scl = 0; scl < channels.size(); scl++) {
                int bytes = sda == scl ? 0 : bytes(begun, channels.get(sda), channels.get(scl));
                if (bytes > most) {
                    most = bytes;
                    best = Optional.of(new Bus(
                            capture.channels().get(sda), capture.channels().get(scl)));
                }
            }
        }
        return best;
    }

    /** How many bytes two lines carry, if nearly all of their messages are whole; else none. */
    private static int bytes(Capture capture, Channel sda, Channel scl) {
        if (sda.count() <= FEW || scl.count() <= FEW) {
            return 0;
        }
        List<Message> messages = new I2cDecoder().decode(capture, sda, scl).messages();
        List<Message> whole = messages.stream().filter(Bus::isWhole).toList();
        return whole.size() < WHOLE * messages.size()
                ? 0
                : whole.stream().mapToInt(message -> message.bytes().size()).sum();
    }

    private static boolean isWhole(Message message) {
        return !message.bytes().isEmpty()
                && message.why()
                        .filter(why -> why.key().equals("capture.i2c.bits"))
                        .isEmpty();
    }
}
