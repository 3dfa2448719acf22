package dev.deftchisel.source;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.Optional;

/**
 * The text of one file together with what is needed to give back its exact bytes: charset and byte order mark.
 *
 * <p>Law: for a {@linkplain #isFaithful() faithful} text, {@code decode(b, c).bytes()} equals {@code b}. A file whose
 * bytes are malformed in its charset is read with replacement characters so that it can still be analysed, but it is
 * not faithful and must never be written.
 *
 * @param content  the characters, without a byte order mark; line ends exactly as in the file
 * @param charset  the charset of the file
 * @param mark     whether the file starts with a UTF-8 byte order mark
 * @param isFaithful whether {@link #bytes()} gives back what was read
 */
public record SourceText(String content, Charset charset, boolean mark, boolean isFaithful) {

    private static final byte[] UTF8_MARK = {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF};

    /** Decodes a file's bytes; never fails, see {@link #isFaithful()}. */
    public static SourceText decode(byte[] bytes, Charset charset) {
        boolean mark = charset.equals(StandardCharsets.UTF_8) && bytes.length >= UTF8_MARK.length
                && Arrays.equals(bytes, 0, UTF8_MARK.length, UTF8_MARK, 0, UTF8_MARK.length);
        int start = mark ? UTF8_MARK.length : 0;
        try {
            CharBuffer chars = charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes, start, bytes.length - start));
            SourceText text = new SourceText(chars.toString(), charset, mark, true);
            return isStateless(charset) || Arrays.equals(text.bytes(), bytes)
                    ? text
                    : new SourceText(text.content, charset, mark, false);
        } catch (CharacterCodingException malformed) {
            return new SourceText(new String(bytes, start, bytes.length - start, charset), charset, mark, false);
        }
    }

    /** Charsets whose decoding is one-to-one, so that no round trip needs to be tried. */
    private static boolean isStateless(Charset charset) {
        return charset.equals(StandardCharsets.UTF_8) || charset.equals(StandardCharsets.ISO_8859_1)
                || charset.equals(StandardCharsets.US_ASCII);
    }

    /** The same file with other content: charset and mark are kept. */
    public SourceText with(String newContent) {
        return new SourceText(newContent, charset, mark, isFaithful);
    }

    /**
     * The first character of the content that the charset cannot write.
     *
     * @return its offset, or empty when everything can be written
     */
    public Optional<Integer> unwritableOffset() {
        var encoder = charset.newEncoder();
        if (encoder.canEncode(content)) {
            return Optional.empty();
        }
        int offset = 0;
        while (offset < content.length()) {
            int width = Character.charCount(content.codePointAt(offset));
            if (!encoder.canEncode(content.subSequence(offset, offset + width))) {
                return Optional.of(offset);
            }
            offset += width;
        }
        return Optional.of(0);
    }

    /** The bytes of the file. */
    public byte[] bytes() {
        byte[] body = content.getBytes(charset);
        if (!mark) {
            return body;
        }
        byte[] all = Arrays.copyOf(UTF8_MARK, UTF8_MARK.length + body.length);
        System.arraycopy(body, 0, all, UTF8_MARK.length, body.length);
        return all;
    }

    /** The SHA-256 of some bytes in hexadecimal, by which files are compared between preview and apply. */
    public static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException impossible) {
            throw new AssertionError("every Java platform has SHA-256", impossible);
        }
    }
}
