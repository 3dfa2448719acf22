package dev.deftchisel.desk.panel.list;

import dev.deftchisel.Chisel;
import dev.deftchisel.desk.panel.Item;
import dev.deftchisel.desk.panel.ItemSource;
import dev.deftchisel.desk.panel.PanelHost;
import dev.deftchisel.desk.panel.Picker;
import dev.deftchisel.desk.panel.TaskPurpose;
import dev.deftchisel.desk.picture.Ink;
import dev.deftchisel.desk.picture.Line;
import dev.deftchisel.navigation.Finder;
import dev.deftchisel.navigation.InitialsMatcher;
import dev.deftchisel.navigation.declaration.DeclarationTree;
import dev.deftchisel.operation.Place;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;

/** Finds types, members, files and lines by what is typed of them. */
public final class FindList {

    private static final List<String> PARTS = List.of("all", "types", "members", "files");
    private static final Pattern LINE = Pattern.compile("(.*):(\\d{1,7})?");
    private static final int MOST = 200;
    private static final int SEVERAL = 5;

    private FindList() {
    }

    /** Asks for what is looked for. */
    public static void open(PanelHost bench) {
        Place here = bench.place();
        ListPanels.show(bench, Picker.<Place>of("find", (typed, part, found) -> find(bench, here, typed, part, found))
                .parts(PARTS));
    }

    private static void find(PanelHost bench, Place here, String typed, int part, Consumer<List<Item<Place>>> found) {
        Matcher line = LINE.matcher(typed);
        boolean hasLine = line.matches();
        String name = hasLine ? line.group(1) : typed;
        Optional<Integer> number = hasLine ? Optional.ofNullable(line.group(2)).map(Integer::valueOf)
                : Optional.empty();
        bench.ask(TaskPurpose.FIND, chisel -> {
            if (hasLine && name.isEmpty()) {
                return chisel.snapshot().file(here.file()).map(file -> List.of(atLine(chisel, file, number.orElse(1))))
                        .orElse(List.of());
            }
            List<Item<Place>> all = part == 3 ? files(chisel, name) : declared(chisel, name, part);
            return number.isEmpty() ? all : all.stream()
                    .map(item -> atLine(chisel, chisel.snapshot().source(item.what().file()), number.get())).distinct()
                    .toList();
        }, found);
    }

    private static Item<Place> atLine(Chisel chisel, SourceFile file, int number) {
        int line = Math.max(1, Math.min(number, file.lines().count()));
        String text = file.lines().text(line);
        int start = file.lines().rangeOf(line).start() + text.length() - text.stripLeading().length();
        String label = chisel.workspace().show(file.path()) + ":" + line;
        return new Item<>(new Place(file.path(), new Range(start, start)), label,
                Line.of(label, Ink.PLACE).and("  " + file.lines().text(line).strip(), Ink.PLAIN), "");
    }

    private static List<Item<Place>> declared(Chisel chisel, String typed, int part) {
        // more than is shown, since only some of them are of the part that is wanted
        return new Finder(chisel.snapshot()).find(typed, part == 0 ? MOST : MOST * SEVERAL).stream()
                .filter(one -> part == 0 || one.member().kind().isType() == (part == 1)).limit(MOST)
                .map(one -> new Item<>(new Place(one.file().path(), one.member().nameRange()), one.member().name(),
                        Line.of(one.member().signature(one.file().content()), one.member().kind().isType() ? Ink.TYPE
                                : Ink.CALL)
                                .and("  " + one.container(), Ink.QUIET), word(one.member().kind())))
                .toList();
    }

    private static List<Item<Place>> files(Chisel chisel, String typed) {
        InitialsMatcher initials = new InitialsMatcher(typed);
        record Ranked(Path path, int match) {
        }
        return chisel.snapshot().files().stream()
                .map(file -> new Ranked(file.path(), Math.max(initials.match(String.valueOf(file.path().getFileName())),
                        chisel.workspace().show(file.path()).contains(typed) ? 1 : InitialsMatcher.NONE)))
                .filter(one -> one.match() > InitialsMatcher.NONE)
                .sorted(Comparator.comparing((Ranked one) -> -one.match()).thenComparing(Ranked::path)).limit(MOST)
                .map(one -> new Item<>(new Place(one.path(), new Range(0, 0)), chisel.workspace().show(one.path()),
                        Line.of(String.valueOf(one.path().getFileName()), Ink.TYPE)
                                .and("  " + chisel.workspace().show(one.path()), Ink.QUIET), "file"))
                .toList();
    }

    private static String word(MemberOutline.Kind kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    /** What the file of the caret declares, as a tree; the member of the caret is chosen. */
    public static void outline(PanelHost bench) {
        Place here = bench.place();
        bench.ask(TaskPurpose.GO, chisel -> chisel.snapshot().file(here.file()).map(file -> {
            List<Item<Place>> items = new ArrayList<>();
            DeclarationTree.in(file).forEach(one -> outline(file, one, 0, items));
            return items;
        }).orElse(new ArrayList<>()), items -> {
            if (items.isEmpty()) {
                bench.say("this file declares nothing");
                return;
            }
            int at = IntStream.range(0, items.size()).filter(i -> items.get(i).what().caret() <= here.caret())
                    .reduce((a, b) -> b)
                    .orElse(0);
            ListPanels.show(bench, Picker.of("outline", ItemSource.of(items)).startingAt(at));
        });
    }

    private static void outline(SourceFile file, DeclarationTree declared, int depth, List<Item<Place>> items) {
        MemberOutline member = declared.member();
        items.add(new Item<>(new Place(file.path(), member.nameRange()), member.name(),
                Line.of("  ".repeat(depth) + member.signature(file.content()), member.kind().isType() ? Ink.TYPE
                        : Ink.PLAIN),
                String.valueOf(file.lines().line(member.nameRange().start()))));
        declared.children().forEach(child -> outline(file, child, depth + 1, items));
    }
}
