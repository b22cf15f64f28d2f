package inkel.core.tune.radio;

import inkel.core.document.AirKey;
import inkel.core.formula.LongRangeAir;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import java.util.ArrayList;
import java.util.List;

/** What the code of a station takes of the plan: all that both ends must agree in, its address, and those that it talks with. */
public final class RadioConstants {
    private RadioConstants() {}

    /** @param part the radio as its builder calls it */
    public static List<Constant> of(RadioNet net, End end, String part) {
        return net.isLongRange() ? ofChirps(end, part) : ofPackets(net, end, part);
    }

    private static List<Constant> ofChirps(End end, String part) {
        List<Constant> all = new ArrayList<>();
        LongRangeAir air = end.chirps();
        number(all, part, "FREQUENCY_HZ", Math.round(end.frequency().hertz()), end.source(AirKey.FREQUENCY));
        number(all, part, "SPREADING", air.spreading(), end.source(AirKey.SPREADING));
        number(all, part, "BANDWIDTH_HZ", Math.round(air.bandwidth().hertz()), end.source(AirKey.BANDWIDTH));
        // Of four bits so many are sent: 5 to 8.
        number(all, part, "CODED_BITS", 4 + air.coding(), end.source(AirKey.CODING));
        number(all, part, "PREAMBLE_SYMBOLS", air.preamble(), end.source(AirKey.PREAMBLE));
        number(all, part, "HEADER", air.hasHeader() ? 1 : 0, end.source(AirKey.HEADER));
        number(all, part, "CHECKED", air.hasCheck() ? 1 : 0, end.source(AirKey.CHECKED));
        number(all, part, "LOW_RATE", air.isLowRate() ? 1 : 0, Source.COMPUTED);
        number(all, part, "SYNC", Integer.decode(end.said(AirKey.SYNC)), end.source(AirKey.SYNC));
        number(all, part, "PACKET_BYTES", end.bytes(), end.source(AirKey.BYTES));
        number(all, part, "POWER_DBM", Math.round(end.power()), end.source(AirKey.POWER));
        number(all, part, "EVERY_MS", Math.round(end.every().seconds() * 1000), end.source(AirKey.EVERY));
        return all;
    }

    private static List<Constant> ofPackets(RadioNet net, End end, String part) {
        List<Constant> all = new ArrayList<>();
        number(all, part, "CHANNEL", end.channel(), end.source(AirKey.CHANNEL));
        number(all, part, "RATE_BITS", Math.round(end.rate().bits()), end.source(AirKey.RATE));
        number(all, part, "CHECK_BYTES", end.check(), end.source(AirKey.CHECK));
        // Where each packet brings its length there is none to set.
        number(all, part, "PAYLOAD_BYTES", end.payload().orElse(0), end.source(AirKey.PAYLOAD));
        number(all, part, "ANSWERS", end.answers() ? 1 : 0, end.source(AirKey.ANSWERS));
        number(all, part, "RETRIES", end.retries(), end.source(AirKey.RETRIES));
        number(all, part, "RETRY_WAIT_US", Math.round(end.retryWait().seconds() * 1e6), end.source(AirKey.RETRY_WAIT));
        number(all, part, "POWER_DBM", Math.round(end.power()), end.source(AirKey.POWER));
        all.add(address(end, part, "ADDRESS"));
        for (End other : net.ends()) {
            boolean isPartner = other != end
                    && (end.isHub() || other.isHub() || !net.first().isHub());
            if (isPartner) {
                all.add(address(other, part, "TO " + other.name()));
            }
        }
        return all;
    }

    private static void number(List<Constant> all, String part, String name, long value, Source source) {
        all.add(new Constant(Constant.identifier(part, name), String.valueOf(value), source));
    }

    /** The lowest byte first, as such radios are written to. */
    private static Constant address(End of, String part, String name) {
        List<Integer> bytes = new ArrayList<>();
        for (int i = of.address().size() - 1; i >= 0; i--) {
            bytes.add(of.address().get(i));
        }
        return new Constant(Constant.identifier(part, name), Constant.bytes(bytes), Source.COMPUTED);
    }
}
