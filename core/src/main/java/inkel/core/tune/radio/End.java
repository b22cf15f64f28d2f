package inkel.core.tune.radio;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.AirKey;
import inkel.core.document.AirPlan;
import inkel.core.document.Station;
import inkel.core.formula.PacketAir;
import inkel.core.formula.PacketLayout;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Length;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A station with all that it is set to.
 *
 * @param plan of all stations of its group
 * @param node its board; empty for a station that is on no table of the build
 * @param placed the radio; empty with it
 * @param name as its builder calls the board, or the station outside
 */
public record End(Station station, AirPlan plan, Optional<NodeCircuit> node, Optional<Placed> placed, String name) {
    /** What is taken while nobody has said anything. */
    private static final Map<AirKey, String> USUAL = Map.ofEntries(
            Map.entry(AirKey.CHANNEL, "76"),
            Map.entry(AirKey.RATE, "1 Mbit/s"),
            // Ones and zeros by turns, or long rows of one of them, are taken for noise.
            Map.entry(AirKey.ADDRESS, "5A 3C 96 E1 00"),
            Map.entry(AirKey.CHECK, "2"),
            Map.entry(AirKey.PAYLOAD, "32"),
            Map.entry(AirKey.ANSWERS, "yes"),
            Map.entry(AirKey.RETRIES, "5"),
            Map.entry(AirKey.RETRY_WAIT, "1.5 ms"),
            Map.entry(AirKey.POWER, "0 dBm"),
            Map.entry(AirKey.EVERY, "1 s"),
            Map.entry(AirKey.LISTENS, "100 %"),
            Map.entry(AirKey.METRES, "10 m"),
            Map.entry(AirKey.LOSSES, "0 dB"));

    /** What a key is set to, as typed: the station's own, that of all, or what is usual. */
    public String typed(AirKey key) {
        return good(key, station.settings().get(key.text()))
                .or(() -> good(key, plan.settings().get(key.text())))
                .orElse(USUAL.get(key));
    }

    private static Optional<String> good(AirKey key, String text) {
        return Optional.ofNullable(text).filter(key::isGood);
    }

    /** Whether the station alone says so. */
    public boolean isOwn(AirKey key) {
        return station.settings().containsKey(key.text());
    }

    /** Where that comes from: said for the station or for all, or what is usual. */
    public Source source(AirKey key) {
        boolean isSaid = good(key, station.settings().get(key.text())).isPresent()
                || good(key, plan.settings().get(key.text())).isPresent();
        return isSaid ? Source.YOURS : Source.RULE;
    }

    /** A value that can be compared: two texts that mean the same are one. */
    public String said(AirKey key) {
        return switch (key) {
            case RATE -> rate().text();
            case ADDRESS -> hex(address());
            default -> typed(key).strip();
        };
    }

    public int channel() {
        return Integer.parseInt(typed(AirKey.CHANNEL).strip());
    }

    public PacketAir.Rate rate() {
        return PacketAir.Rate.parse(typed(AirKey.RATE)).orElseThrow();
    }

    public int check() {
        return Integer.parseInt(typed(AirKey.CHECK).strip());
    }

    /** In bytes; empty where each packet brings its length. */
    public Optional<Integer> payload() {
        String text = typed(AirKey.PAYLOAD).strip();
        return text.equals("free") ? Optional.empty() : Optional.of(Integer.parseInt(text));
    }

    public boolean answers() {
        return typed(AirKey.ANSWERS).strip().equals("yes");
    }

    public int retries() {
        return Integer.parseInt(typed(AirKey.RETRIES).strip());
    }

    public TimeSpan retryWait() {
        return TimeSpan.ofSeconds(amount(AirKey.RETRY_WAIT, Unit.SECOND));
    }

    /** In dBm. */
    public double power() {
        return AirKey.decibels(typed(AirKey.POWER)).orElseThrow();
    }

    public TimeSpan every() {
        return TimeSpan.ofSeconds(amount(AirKey.EVERY, Unit.SECOND));
    }

    /** The share of time that it listens. */
    public double listens() {
        return AirKey.share(typed(AirKey.LISTENS)).orElseThrow();
    }

    public Length distance() {
        return Length.ofMetres(amount(AirKey.METRES, Unit.METRE));
    }

    /** Of walls, leaves and near ground, in dB. */
    public double losses() {
        return AirKey.decibels(typed(AirKey.LOSSES)).orElseThrow();
    }

    private double amount(AirKey key, Unit unit) {
        return Engineering.parse(typed(key), unit).orElseThrow();
    }

    /**
     * What it is called by, the highest byte first. That of all stations is counted on by the number of each, so that their
     * lowest bytes differ; one of its own is taken as it is.
     */
    public List<Integer> address() {
        List<Integer> bytes = new ArrayList<>();
        String plain = typed(AirKey.ADDRESS).replaceAll("[\\s:-]", "");
        for (byte one : HexFormat.of().parseHex(plain)) {
            bytes.add(one & 0xFF);
        }
        if (!isOwn(AirKey.ADDRESS)) {
            int last = bytes.size() - 1;
            bytes.set(last, (bytes.get(last) + station.number()) & 0xFF);
        }
        return List.copyOf(bytes);
    }

    static String hex(List<Integer> bytes) {
        return bytes.stream()
                .map(one -> HexFormat.of().withUpperCase().toHexDigits(one.byteValue()))
                .reduce((one, other) -> one + " " + other)
                .orElse("");
    }

    /** How its board lays out what is sent; as one of 32 bits where it is not known. */
    public PacketLayout.Board board() {
        return node.flatMap(circuit -> circuit.board().cls().controller())
                .flatMap(controller -> PacketLayout.Board.of(controller.bits()))
                .orElse(PacketLayout.Board.BITS_32);
    }

    public boolean isHub() {
        return station.role() == Station.Role.HUB;
    }

    /** Whether it amplifies what it sends and hears. */
    public boolean isBoosted() {
        return placed.filter(part -> part.cls().kinds().contains("boosted")).isPresent();
    }
}
