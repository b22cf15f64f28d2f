package inkel.core.tune.radio;

import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.AirKey;
import inkel.core.document.AirPlan;
import inkel.core.document.AirSort;
import inkel.core.document.Station;
import inkel.core.formula.LongRangeAir;
import inkel.core.formula.PacketAir;
import inkel.core.formula.PacketLayout;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Frequency;
import inkel.core.quantity.Length;
import inkel.core.quantity.Source;
import inkel.core.quantity.TimeSpan;
import inkel.core.quantity.Unit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * A station with all that it is set to.
 *
 * @param sort of the radios of its group
 * @param plan of all stations of its group
 * @param node its board; empty for a station that is on no table of the build
 * @param placed the radio; empty with it
 * @param name as its builder calls the board, or the station outside
 */
public record End(
        AirSort sort, Station station, AirPlan plan, Optional<NodeCircuit> node, Optional<Placed> placed, String name) {
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
            Map.entry(AirKey.FREQUENCY, "868.3 MHz"),
            Map.entry(AirKey.SPREADING, "7"),
            Map.entry(AirKey.BANDWIDTH, "125 kHz"),
            Map.entry(AirKey.CODING, "4/5"),
            Map.entry(AirKey.PREAMBLE, "8"),
            Map.entry(AirKey.HEADER, "yes"),
            Map.entry(AirKey.CHECKED, "yes"),
            Map.entry(AirKey.SYNC, "0x12"),
            Map.entry(AirKey.BYTES, "16"),
            Map.entry(AirKey.DUTY, "100 %"),
            Map.entry(AirKey.POWER, "0 dBm"),
            Map.entry(AirKey.EVERY, "1 s"),
            Map.entry(AirKey.LISTENS, "100 %"),
            Map.entry(AirKey.METRES, "10 m"),
            Map.entry(AirKey.LOSSES, "0 dB"));

    private static final Map<AirKey, String> USUAL_FAR =
            Map.of(AirKey.POWER, "14 dBm", AirKey.EVERY, "60 s", AirKey.METRES, "500 m");

    /** What a key is set to, as typed: the station's own, that of all, or what is usual. */
    public String typed(AirKey key) {
        return good(key, station.settings().get(key.text()))
                .or(() -> good(key, plan.settings().get(key.text())))
                .orElseGet(() -> usual(key));
    }

    private String usual(AirKey key) {
        return isLongRange() ? USUAL_FAR.getOrDefault(key, USUAL.get(key)) : USUAL.get(key);
    }

    private boolean isLongRange() {
        return sort == AirSort.LONG_RANGE;
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
            case FREQUENCY, BANDWIDTH -> Engineering.exact(Frequency.ofHertz(amount(key, Unit.HERTZ)));
            case SYNC -> typed(key).strip().toLowerCase(Locale.ROOT);
            default -> typed(key).strip();
        };
    }

    /** How a long-range radio sends. */
    public LongRangeAir chirps() {
        return new LongRangeAir(
                whole(AirKey.SPREADING),
                Frequency.ofHertz(amount(AirKey.BANDWIDTH, Unit.HERTZ)),
                typed(AirKey.CODING).strip().charAt(2) - '4',
                whole(AirKey.PREAMBLE),
                hasHeader(),
                isYes(AirKey.CHECKED));
    }

    /** Whether a packet tells its own length and coding. */
    public boolean hasHeader() {
        return isYes(AirKey.HEADER);
    }

    public boolean isChecked() {
        return isYes(AirKey.CHECKED);
    }

    /** The middle of what it sends on. */
    public Frequency frequency() {
        return isLongRange() ? Frequency.ofHertz(amount(AirKey.FREQUENCY, Unit.HERTZ)) : PacketAir.frequency(channel());
    }

    /** What is still heard, in dBm. */
    public double sensitivity() {
        return isLongRange() ? chirps().sensitivity() : rate().sensitivity();
    }

    /** The share of time that it may be on the air by local rules, as the builder typed it; empty where nothing is said. */
    public Optional<Double> duty() {
        return source(AirKey.DUTY) == Source.YOURS ? AirKey.share(typed(AirKey.DUTY)) : Optional.empty();
    }

    private int whole(AirKey key) {
        return Integer.parseInt(typed(key).strip());
    }

    private boolean isYes(AirKey key) {
        return typed(key).strip().equals("yes");
    }

    /** How many bytes a long-range radio sends. */
    public int bytes() {
        return whole(AirKey.BYTES);
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
