package inkel.core.tune.radio;

import inkel.core.circuit.Circuit;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.AirKey;
import inkel.core.document.AirSort;
import inkel.core.document.LocalNetwork;
import inkel.core.document.Place;
import inkel.core.document.RadioGroup;
import inkel.core.document.Station;
import inkel.core.formula.PacketAir;
import inkel.core.formula.PacketLayout;
import inkel.core.formula.PathLoss;
import inkel.core.quantity.Current;
import inkel.core.quantity.TimeSpan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * Radios of one sort that belong together, each with all that it is set to.
 *
 * <p>Longer than other files: what must agree, the band, the packet and the air are all asked of the same ends, each in
 * a few lines.
 */
public record RadioNet(RadioGroup group, AirSort sort, List<End> ends) {
    /** Pipes that a radio hears on beside the one that its answers come in by. */
    public static final int PIPES = 5;

    /** Less than this to spare, in dB, and rain or a body in between ends it. */
    public static final double LEAST_MARGIN = 10;

    private static final Set<AirKey> BY_HEADER = EnumSet.of(AirKey.CODING, AirKey.CHECKED, AirKey.BYTES);

    /** What the answer carries beside its address: nothing. */
    private static final int OF_ANSWER = 0;

    private static final int PACKET_BYTES = 32;
    private static final int LONG_RANGE_BYTES = 255;

    /** In which the wait before another try is set, in seconds, and how many of them at the most. */
    private static final double WAIT_STEP = 250e-6;

    private static final int MOST_STEPS = 16;

    public RadioNet {
        ends = List.copyOf(ends);
    }

    /** Those of the build whose radios are of that sort. */
    public static List<RadioNet> of(Circuit circuit) {
        return circuit.build().air().stream()
                .flatMap(group -> sort(circuit, group).map(sort -> of(circuit, group, sort)).stream())
                .toList();
    }

    public static boolean isOne(Placed placed) {
        return sort(placed).isPresent();
    }

    private static Optional<AirSort> sort(Placed placed) {
        return placed.cls().handling().air().flatMap(air -> AirSort.of(air.kind()));
    }

    /** That of the first of its radios that is of any. */
    private static Optional<AirSort> sort(Circuit circuit, RadioGroup group) {
        return group.stations().stream()
                .flatMap(station -> station.radio().stream())
                .flatMap(radio -> circuit.node(radio.node()).flatMap(node -> node.part(radio.part())).stream())
                .flatMap(placed -> sort(placed).stream())
                .findFirst();
    }

    private static RadioNet of(Circuit circuit, RadioGroup group, AirSort sort) {
        List<End> ends = new ArrayList<>();
        for (Station station : group.stations()) {
            Optional<NodeCircuit> node = station.radio().flatMap(radio -> circuit.node(radio.node()));
            Optional<Placed> placed = node.flatMap(
                    circle -> circle.part(station.radio().orElseThrow().part()));
            String name = node.map(circle -> circle.node().name()).orElse(station.name());
            ends.add(new End(sort, station, group.plan(), node, placed, name));
        }
        return new RadioNet(group, sort, ends);
    }

    /** The end of a part. */
    public Optional<End> end(Place radio) {
        return ends.stream()
                .filter(end -> end.station().radio().filter(radio::equals).isPresent())
                .findFirst();
    }

    /** A part of it on a table, by which edits find it. */
    public Place anchor() {
        return ends.stream()
                .flatMap(end -> end.station().radio().stream())
                .findFirst()
                .orElseThrow();
    }

    /** The end whose word counts where two differ: the hub, else the lowest number. */
    public End first() {
        return ends.stream()
                .min(Comparator.comparing((End end) -> !end.isHub())
                        .thenComparing(end -> end.station().number()))
                .orElseThrow();
    }

    // --- what must agree

    /**
     * A line in which ends that must agree do not.
     *
     * @param wanted what most of them say; where as many say another, what the first says
     * @param others those that say otherwise
     */
    public record Difference(AirKey key, String wanted, List<End> others) {
        public Difference {
            others = List.copyOf(others);
        }
    }

    /** Every line that differs; the width of the address is one of them, under its key. */
    public List<Difference> differences() {
        List<Difference> differences = new ArrayList<>();
        for (AirKey key : AirKey.of(sort)) {
            if (key.mustAgree() || isToldByNoPacket(key)) {
                difference(key, end -> end.said(key)).ifPresent(differences::add);
            }
        }
        if (isLongRange()) {
            return differences;
        }
        difference(AirKey.ADDRESS, end -> String.valueOf(end.address().size())).ifPresent(differences::add);
        return differences;
    }

    /** What a packet without a header does not say, so that the other end has to know. */
    private boolean isToldByNoPacket(AirKey key) {
        return BY_HEADER.contains(key) && ends.stream().anyMatch(end -> !end.hasHeader());
    }

    public boolean isLongRange() {
        return sort == AirSort.LONG_RANGE;
    }

    private Optional<Difference> difference(AirKey key, Function<End, String> said) {
        Map<String, Integer> counts = new LinkedHashMap<>();
        counts.put(said.apply(first()), 0);
        ends.forEach(end -> counts.merge(said.apply(end), 1, Integer::sum));
        if (counts.values().stream().filter(count -> count > 0).count() < 2) {
            return Optional.empty();
        }
        int most = counts.values().stream().max(Integer::compare).orElseThrow();
        String wanted = counts.entrySet().stream()
                .filter(one -> one.getValue() == most)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
        return Optional.of(new Difference(
                key,
                wanted,
                ends.stream().filter(end -> !said.apply(end).equals(wanted)).toList()));
    }

    /**
     * Ends that no pipe of the others can hear beside another: all but the lowest byte of an address is shared by pipes 1 to 5,
     * and the lowest ones differ.
     */
    public List<End> wrongAddresses() {
        if (isLongRange()) {
            return List.of();
        }
        List<End> wrong = new ArrayList<>();
        List<Integer> upper = upper(first());
        List<List<Integer>> seen = new ArrayList<>();
        List<End> order = new ArrayList<>(ends);
        order.sort(Comparator.comparing((End end) -> end != first()));
        for (End end : order) {
            boolean isWide = end.address().size() == first().address().size();
            if (isWide && (!upper(end).equals(upper) || seen.contains(end.address()))) {
                wrong.add(end);
            }
            seen.add(end.address());
        }
        return wrong;
    }

    private static List<Integer> upper(End end) {
        return end.address().subList(0, end.address().size() - 1);
    }

    // --- the band

    /** The networks that an end's channel shares a part of the band with. */
    public List<LocalNetwork> over(End end) {
        if (isLongRange()) {
            return List.of();
        }
        return group.plan().networks().stream()
                .filter(network -> PacketAir.isUnder(end.channel(), end.rate(), network.channel(), network.widthMhz()))
                .toList();
    }

    /** The channel in the band that is under no network and farthest from all of them; empty where none is free. */
    public Optional<Integer> freest(PacketAir.Rate rate) {
        List<Integer> free = PacketAir.free(rate, channel -> group.plan().networks().stream()
                .anyMatch(network -> PacketAir.isUnder(channel, rate, network.channel(), network.widthMhz())));
        return free.stream().max(Comparator.comparing(this::away).thenComparing(Comparator.reverseOrder()));
    }

    private double away(int channel) {
        return group.plan().networks().stream()
                .mapToDouble(
                        network -> Math.abs(PacketAir.BAND_FROM_MHZ + channel - PacketAir.networkMhz(network.channel()))
                                - network.widthMhz() / 2)
                .min()
                .orElse(0);
    }

    /** Of the band, in channels: what lies from where to where. */
    public record Stretch(String name, double from, double to) {}

    /** What a local network takes of the band, in channels of the radio. */
    public Stretch stretch(LocalNetwork network) {
        double middle = PacketAir.networkMhz(network.channel()) - PacketAir.BAND_FROM_MHZ;
        return new Stretch(network.name(), middle - network.widthMhz() / 2, middle + network.widthMhz() / 2);
    }

    /** What a station takes of it. */
    public Stretch stretch(End end) {
        double half = end.rate().widthMhz() / 2;
        return new Stretch(end.name(), end.channel() - half, end.channel() + half);
    }

    /** Up to this channel the band is free of licence in most places. */
    public static double lastFree() {
        return PacketAir.BAND_TO_MHZ - PacketAir.BAND_FROM_MHZ;
    }

    // --- what is in a packet

    /**
     * How the fields lie on some of the boards.
     *
     * @param names of the stations
     * @param bits of their boards' words
     * @param blocks in order; one without a name is a gap
     */
    public record Laid(List<String> names, int bits, List<Block> blocks, int bytes) {
        public Laid {
            names = List.copyOf(names);
            blocks = List.copyOf(blocks);
        }

        /** So many bytes of a packet. */
        public record Block(String name, int bytes) {
            public boolean isGap() {
                return name.isEmpty();
            }
        }
    }

    /** Each way in which the fields lie, once. */
    public List<Laid> laid() {
        Map<PacketLayout.Board, List<String>> names = new LinkedHashMap<>();
        ends.forEach(end ->
                names.computeIfAbsent(end.board(), board -> new ArrayList<>()).add(end.name()));
        List<Laid> all = new ArrayList<>();
        names.forEach((board, stations) -> {
            PacketLayout layout = PacketLayout.of(fields(), board);
            all.add(new Laid(
                    stations,
                    board.bits(),
                    layout.places().stream()
                            .map(place -> new Laid.Block(
                                    place.field().map(PacketLayout.Field::name).orElse(""), place.bytes()))
                            .toList(),
                    layout.bytes()));
        });
        return all;
    }

    public List<PacketLayout.Field> fields() {
        return group.plan().packet().stream()
                .flatMap(text -> PacketLayout.Field.parse(text).stream())
                .toList();
    }

    public PacketLayout layout(End end) {
        return PacketLayout.of(fields(), end.board());
    }

    /** Ends on whose boards the fields lie otherwise than on the first one's. */
    public List<End> otherLayouts() {
        PacketLayout first = layout(first());
        return ends.stream().filter(end -> !layout(end).isSame(first)).toList();
    }

    /** Whether one talks with another: the hub with all, and all with each other where there is none. */
    public boolean isMeant(End from, End to) {
        return from != to && (first() == from || first() == to || !first().isHub());
    }

    // --- in the air

    /** Ends that are on the air for more of the time than the builder says that they may. */
    public List<End> overDuty() {
        return ends.stream()
                .filter(end -> end.duty()
                        .filter(most -> onAir(end) > most * (1 + 1e-9))
                        .isPresent())
                .toList();
    }

    /** The share of time that an end itself sends. */
    public double onAir(End end) {
        return packet(end).seconds() / end.every().seconds();
    }

    /** How many bytes an end sends: its fixed payload, or the fields. */
    public int sent(End end) {
        return isLongRange()
                ? end.bytes()
                : end.payload().orElseGet(() -> layout(end).bytes());
    }

    /** The most bytes that go into a packet. */
    public int most() {
        return isLongRange() ? LONG_RANGE_BYTES : PACKET_BYTES;
    }

    /** What is sent of the fields. */
    public int room(End end) {
        return isLongRange() ? end.bytes() : end.payload().orElse(PACKET_BYTES);
    }

    public TimeSpan packet(End end) {
        if (isLongRange()) {
            return end.chirps().airTime(sent(end));
        }
        return PacketAir.airTime(end.rate(), end.address().size(), sent(end), end.check());
    }

    /** With the answer to it. */
    public TimeSpan exchange(End end) {
        double answer = !isLongRange() && end.answers()
                ? PacketAir.airTime(end.rate(), end.address().size(), OF_ANSWER, end.check())
                        .seconds()
                : 0;
        return TimeSpan.ofSeconds(packet(end).seconds() + answer);
    }

    /** The share of time that the channel is taken, by all or by one. */
    public double load() {
        return ends.stream().mapToDouble(this::load).sum();
    }

    public double load(End end) {
        return exchange(end).seconds() / end.every().seconds();
    }

    /**
     * The chance that a packet of an end meets one of another: {@code 1 − e^(−(t + T)/every)} over all others, since one that is
     * begun within its own length before or within that of the other clashes (the pure sort of random access).
     */
    public double clash(End end) {
        double met = ends.stream()
                .filter(other -> other != end)
                .mapToDouble(other -> (exchange(end).seconds() + exchange(other).seconds())
                        / other.every().seconds())
                .sum();
        return 1 - Math.exp(-met);
    }

    /** Of an end that listens a part of the time only: what is missed of packets that come at any time. */
    public double missed(End end) {
        return 1 - end.listens();
    }

    /**
     * What the radio of an end takes on average, as its class usually does: while it listens, while it sends and is answered, and
     * asleep the rest of the time. Empty for a station that is on no table.
     */
    public Optional<Current> average(End end) {
        return end.placed().map(placed -> {
            double sends = Math.min(1, load(end));
            double listens = Math.max(0, Math.min(end.listens(), 1 - sends));
            return Current.ofAmperes(sends * usual(placed, "peak")
                    + listens * usual(placed, "active")
                    + (1 - sends - listens) * usual(placed, "idle"));
        });
    }

    private static double usual(Placed placed, String mode) {
        return placed.cls().modes().stream()
                .filter(one -> one.name().equals(mode))
                .mapToDouble(one -> one.current().range().expected().amperes())
                .sum();
    }

    /**
     * From an end to the first one, or from that to it: what is sent, lost and arrives.
     *
     * @param margin to spare above what is still heard
     */
    public record Budget(double power, double path, double losses, double arrives, double sensitivity, double margin) {
        public boolean isThin() {
            return margin < LEAST_MARGIN;
        }
    }

    public Budget budget(End end) {
        double path = PathLoss.free(end.frequency(), end.distance());
        double arrives = end.power() - path - end.losses();
        double sensitivity = end.sensitivity();
        return new Budget(end.power(), path, end.losses(), arrives, sensitivity, arrives - sensitivity);
    }

    /**
     * A wait before trying again for each end, so that two that clashed do not clash again: a quarter of a millisecond apart,
     * which is the step of the radio, from what an answer needs at the least.
     */
    public Map<End, TimeSpan> spreadWaits() {
        Map<End, TimeSpan> waits = new LinkedHashMap<>();
        double longest =
                ends.stream().mapToDouble(end -> exchange(end).seconds()).max().orElse(0);
        int first = (int) Math.max(2, Math.ceil(longest / WAIT_STEP));
        for (int i = 0; i < ends.size(); i++) {
            waits.put(ends.get(i), TimeSpan.ofSeconds(Math.min(MOST_STEPS, first + i) * WAIT_STEP));
        }
        return waits;
    }
}
