package dev.deftchisel.change;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.SourceText;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class MappingTest {

    private static final Path FILE = Path.of("/w/Berth.java");
    private static final Path TARGET = Path.of("/w/Dock.java");
    //                                    0         1         2
    //                                    0123456789012345678901234
    private static final String BEFORE = "Berth b = x.old + old(y);";
    private static final SymbolKey.Type BERTH = new SymbolKey.Type("harbour.Berth");

    private static Change change(Edit... edits) {
        SourceText text = SourceText.decode(BEFORE.getBytes(StandardCharsets.UTF_8), StandardCharsets.UTF_8);
        return new Change("test", List.of(new FileChange(FILE, Optional.of(TARGET), text, List.of(edits))),
                new SymbolEffects(Map.of(BERTH, "Dock", new SymbolKey.Field(BERTH, "old"), "fresh"),
                        Map.of("harbour.sea", "harbour.water")), List.of());
    }

    private final Change change = change(
            Edit.of(new Range(0, 5), "Dock", Edit.Kind.REFERENCE),
            Edit.of(new Range(12, 15), "fresh", Edit.Kind.REFERENCE),
            Edit.of(new Range(18, 18), "this.", Edit.Kind.QUALIFIER),
            new Edit(new Range(22, 23), "ignored", Edit.Kind.COMMENT, false));
    private final Mapping mapping = change.mapping();

    @Test
    void theTextIsMadeOfTheTakenEdits() {
        assertEquals("Dock b = x.fresh + this.old(y);", change.files().get(0).after().content());
    }

    @Test
    void aNameIsFoundBehindWhatWasInsertedAndAtTheEndOfItsEdit() {
        assertEquals(Optional.of(new Range(0, 4)), mapping.name(FILE, new Range(0, 5)));
        assertEquals(Optional.of(new Range(5, 6)), mapping.name(FILE, new Range(6, 7)));
        assertEquals(Optional.of(new Range(11, 16)), mapping.name(FILE, new Range(12, 15)));
        assertEquals(Optional.of(new Range(24, 27)), mapping.name(FILE, new Range(18, 21)));
    }

    @Test
    void aQualifiedReplacementHasItsNameAtTheEnd() {
        Mapping qualified = change(Edit.of(new Range(18, 21), "Quay.this.fresh", Edit.Kind.REFERENCE)).mapping();
        assertEquals(Optional.of(new Range(28, 33)), qualified.name(FILE, new Range(18, 21)));
    }

    @Test
    void codeStartsWithWhatWasInsertedBeforeIt() {
        assertEquals(new Range(19, 30), mapping.code(FILE, new Range(18, 24)));
        assertEquals(new Range(9, 30), mapping.code(FILE, new Range(10, 24)));
    }

    @Test
    void carriedCodeIsFoundInEachCopyAndRemovedCodeWhereItWas() {
        Mapping carried = change(
                Edit.of(new Range(0, 10), "", Edit.Kind.CODE),
                Edit.of(new Range(18, 21), "(x.old)", Edit.Kind.CODE)
                        .carrying(List.of(new MovedCode(FILE, new Range(10, 15), 1)))).mapping();
        assertEquals(List.of(new PlaceAfter(TARGET, new Range(2, 5)), new PlaceAfter(TARGET, new Range(11, 14))),
                carried.sites(FILE, new Range(12, 15)));
        assertEquals(List.of(new PlaceAfter(TARGET, new Range(2, 5)), new PlaceAfter(TARGET, new Range(18, 21))),
                change(Edit.of(new Range(0, 0), "x.old ", Edit.Kind.CODE)
                        .carrying(List.of(new MovedCode(FILE, new Range(10, 15), 0)))).mapping()
                        .sites(FILE, new Range(12, 15)).stream().sorted((a, b) -> a.range().compareTo(b.range()))
                        .toList());
        assertEquals(new Range(0, 5), carried.code(FILE, new Range(10, 15)));
        assertEquals(new Range(0, 0), carried.code(FILE, new Range(4, 6)));
    }

    @Test
    void offsetsAreTracedBack() {
        assertEquals(6, mapping.origin(FILE, 5));
        assertEquals(12, mapping.origin(FILE, 13));
        assertEquals(18, mapping.origin(FILE, 24));
        assertEquals(FILE, mapping.origin(TARGET));
    }

    @Test
    void keysFollowTypesPackagesAndPlaces() {
        assertEquals(new SymbolKey.Type("harbour.Dock$Slot"), mapping.key(new SymbolKey.Type("harbour.Berth$Slot")));
        assertEquals(new SymbolKey.Type("harbour.Berths"), mapping.key(new SymbolKey.Type("harbour.Berths")));
        assertEquals(new SymbolKey.Type("harbour.water.Wave"), mapping.key(new SymbolKey.Type("harbour.sea.Wave")));
        assertEquals(new SymbolKey.Field(new SymbolKey.Type("harbour.Dock"), "fresh"),
                mapping.key(new SymbolKey.Field(BERTH, "old")));
        assertEquals(new SymbolKey.Method(new SymbolKey.Type("harbour.Dock"), "moor", "(Lharbour/x;[Lharbour.Dock;I)V"),
                mapping.key(new SymbolKey.Method(BERTH, "moor", "(Lharbour/x;[Lharbour.Berth;I)V")));
        assertEquals(new SymbolKey.Local(TARGET, 5), mapping.key(new SymbolKey.Local(FILE, 6)));
        assertEquals(new SymbolKey.TypeParameter(new SymbolKey.Type("harbour.Dock"), 1),
                mapping.key(new SymbolKey.TypeParameter(BERTH, 1)));
    }

    @Test
    void editsThatOverlapAreAFault() {
        Change wrong = change(Edit.of(new Range(0, 5), "a", Edit.Kind.REFERENCE),
                Edit.of(new Range(3, 6), "b", Edit.Kind.REFERENCE));
        assertThrows(IllegalStateException.class, () -> wrong.files().get(0).after());
    }
}
