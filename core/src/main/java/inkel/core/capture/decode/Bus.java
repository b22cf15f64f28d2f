package inkel.core.capture.decode;

import inkel.core.capture.Capture;
import inkel.core.capture.Channel;
import java.util.List;
import java.util.Optional;

/** The two wires of an I2C bus among channels that nobody named: read the right way about, they carry whole messages. */
record Bus(Channel sda, Channel scl) {
    /** What carries more edges than that is looked at no further. */
    private static final int ENOUGH = 20_000;

    /** A start, a byte and an end have more edges than that. */
    private static final int FEW = 3;

    private static final double WHOLE = 0.8;

    /** @return the pair with the most bytes in whole messages */
    static Optional<Bus> of(Capture capture) {
        List<Channel> channels = capture.channels().stream()
                .filter(channel -> channel.count() > FEW && channel.count() < ENOUGH)
                .toList();
        Optional<Bus> best = Optional.empty();
        int most = 0;
        for (Channel sda : channels) {
            for (Channel scl : channels) {
                int bytes = sda == scl ? 0 : bytes(capture, sda, scl);
                if (bytes > most) {
                    most = bytes;
                    best = Optional.of(new Bus(sda, scl));
                }
            }
        }
        return best;
    }

    /** How many bytes two lines carry, if nearly all of their messages are whole; else none. */
    private static int bytes(Capture capture, Channel sda, Channel scl) {
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
