package dev.deftchisel.source;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TokensTest {

    private static List<String> code(String content) {
        Tokens tokens = Tokens.of(content);
        List<String> texts = new ArrayList<>();
        for (int i = tokens.code(0); i < tokens.count(); i = tokens.code(i + 1)) {
            texts.add(tokens.text(i));
        }
        return texts;
    }

    private static TokenKind only(String content) {
        Tokens tokens = Tokens.of(content);
        assertEquals(1, tokens.count(), content);
        return tokens.kind(0);
    }

    @Test
    void closingAngleBracketsStandAlone() {
        assertEquals(List.of("Map", "<", "K", ",", "List", "<", "V", ">", ">", "m", "=", "a", ">", ">", ">", "=", "b",
                "<<=", "c", ";"),
                code("Map<K,List<V>>m = a >>>= b <<= c;"));
    }

    @Test
    void numbersTakeTheirSignsAndDotsButNotRanges() {
        assertEquals(List.of("1e-3", "+", "0x1p-2", "-", ".5f", "+", "1_000", ".", "x"),
                code("1e-3+0x1p-2-.5f+1_000 .x"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"\"a\\\"b\"", "\"\\\\\"", "\"\\u0022", "\"\"", "\"open"})
    void stringsEndWhereTheyEnd(String content) {
        assertEquals(TokenKind.STRING, only(content));
    }

    @Test
    void textBlocksKeepQuotesAndEscapes() {
        assertEquals(TokenKind.TEXT_BLOCK, only("\"\"\"\n  a \"\" b \\\"\"\" c\n\"\"\""));
        assertEquals(TokenKind.TEXT_BLOCK, only("\"\"\"\n never closed"));
    }

    @Test
    void commentsAreToldApart() {
        assertEquals(TokenKind.DOC_COMMENT, only("/** a */"));
        assertEquals(TokenKind.DOC_COMMENT, only("/// a"));
        assertEquals(TokenKind.BLOCK_COMMENT, only("/**/"));
        assertEquals(TokenKind.LINE_COMMENT, only("// a /* b"));
        assertEquals(TokenKind.BLOCK_COMMENT, only("/* never closed // "));
    }

    @Test
    void unicodeEscapesArePartOfNames() {
        Tokens tokens = Tokens.of("de\\u0070th");
        assertEquals(TokenKind.IDENTIFIER, tokens.kind(0));
        assertEquals("depth", tokens.name(0));
        assertTrue(tokens.isName(0, "depth"));
    }

    @Test
    void namesMayLieBeyondTheFirstPlane() {
        assertEquals(TokenKind.IDENTIFIER, only("\uD835\uDC9C1"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "class A { int x = 'a' + 'b'; }\r\n", "#`\u0001 \\ \\u12 '", "\"\\", "'\\u005c''",
            "a\tb\fc"})
    void nothingIsLost(String content) {
        Tokens tokens = Tokens.of(content);
        StringBuilder all = new StringBuilder();
        for (int i = 0; i < tokens.count(); i++) {
            assertTrue(tokens.end(i) > tokens.start(i), "no token is empty");
            all.append(tokens.text(i));
        }
        assertEquals(content, all.toString());
    }
}
