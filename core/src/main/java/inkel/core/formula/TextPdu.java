package inkel.core.formula;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A text, or a part of one, as a modem sends it in PDU mode (3GPP TS 23.040, SMS-SUBMIT): the centre of the card, the number
 * in half bytes, the alphabet of 7 bits packed (TS 23.038) or 16 bits, and before parts of one text a header that says which
 * of how many it is.
 *
 * @param hex all of it, in hexadecimal digits
 * @param length its bytes without that of the centre, as {@code AT+CMGS} wants it
 */
public record TextPdu(String hex, int length) {
    private static final int CENTRE_OF_CARD = 0;
    private static final int SUBMIT = 0x01;
    private static final int WITH_HEADER = 0x40;
    private static final int INTERNATIONAL = 0x91;
    private static final int SHORT = 0x00;
    private static final int LONG = 0x08;
    private static final int BITS = 7;

    /**
     * All parts of a text, in order.
     *
     * @param number a plus and digits
     * @param reference the same for all parts of one text, and another for the next, from 0 to 255
     */
    public static List<TextPdu> of(String number, String text, int reference) {
        boolean isShort = TextMessage.of(text).isShort();
        List<String> parts = TextMessage.split(text);
        List<TextPdu> all = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            List<Integer> header =
                    parts.size() == 1 ? List.of() : List.of(5, 0, 3, reference & 0xFF, parts.size(), i + 1);
            all.add(of(number, parts.get(i), isShort, header));
        }
        return all;
    }

    private static TextPdu of(String number, String text, boolean isShort, List<Integer> header) {
        List<Integer> octets = new ArrayList<>();
        octets.add(CENTRE_OF_CARD);
        octets.add(SUBMIT | (header.isEmpty() ? 0 : WITH_HEADER));
        octets.add(0);
        address(number, octets);
        octets.add(0);
        octets.add(isShort ? SHORT : LONG);
        if (isShort) {
            packed(text, header, octets);
        } else {
            byte[] wide = text.getBytes(StandardCharsets.UTF_16BE);
            octets.add(header.size() + wide.length);
            octets.addAll(header);
            for (byte octet : wide) {
                octets.add(octet & 0xFF);
            }
        }
        StringBuilder hex = new StringBuilder();
        octets.forEach(octet -> hex.append(String.format(Locale.ROOT, "%02X", octet)));
        return new TextPdu(hex.toString(), octets.size() - 1);
    }

    /** Digits by twos, the second first; a half byte that is left is 15. */
    private static void address(String number, List<Integer> octets) {
        String digits = number.replaceAll("[^0-9]", "");
        octets.add(digits.length());
        octets.add(INTERNATIONAL);
        for (int i = 0; i < digits.length(); i += 2) {
            int first = digits.charAt(i) - '0';
            int second = i + 1 < digits.length() ? digits.charAt(i + 1) - '0' : 0xF;
            octets.add(second << 4 | first);
        }
    }

    /** Codes of 7 bits one behind the other, the lowest bit first; behind a header the text begins at a whole seventh. */
    private static void packed(String text, List<Integer> header, List<Integer> octets) {
        List<Integer> codes = TextMessage.septets(text);
        int before = (header.size() * 8 + BITS - 1) / BITS;
        octets.add(before + codes.size());
        int[] bytes = new int[((before + codes.size()) * BITS + 7) / 8];
        for (int i = 0; i < header.size(); i++) {
            bytes[i] = header.get(i);
        }
        for (int i = 0; i < codes.size(); i++) {
            int bit = (before + i) * BITS;
            int shifted = codes.get(i) << bit % 8;
            bytes[bit / 8] |= shifted & 0xFF;
            if (shifted > 0xFF) {
                bytes[bit / 8 + 1] |= shifted >> 8;
            }
        }
        for (int octet : bytes) {
            octets.add(octet);
        }
    }
}
