package dev.deftchisel.header.edited;

import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** The headers of the methods, constructors and records of a file, in the order of the text, read off its outline. */
record FileHeaders(List<One> all) {

    /**
     * A header.
     *
     * @param home  the types around it, from the outermost
     * @param text  as it stands, from the modifiers to the last exception
     * @param range of that
     * @param name  where the name stands
     */
    record One(String home, String text, Range range, Range name) {

        String nameText() {
            return text.substring(name.start() - range.start(), name.end() - range.start());
        }

        String behindName() {
            return TypedHeader.compact(text.substring(name.end() - range.start()));
        }

        /** Whether two are the same but for white space and comments. */
        boolean reads(One other) {
            return home.equals(other.home) && TypedHeader.compact(text).equals(TypedHeader.compact(other.text));
        }
    }

    static FileHeaders of(SourceFile file) {
        List<MemberOutline> types = file.outline().members().stream().filter(one -> one.kind().isType()).toList();
        List<One> found = new ArrayList<>();
        for (MemberOutline member : file.outline().members()) {
            boolean isRecord = member.kind() == MemberOutline.Kind.RECORD;
            if (isRecord || member.parameters().length() > 0) {
                Range range = new Range(member.range().start(), end(file.tokens(), member, isRecord));
                String home = types.stream()
                        .filter(type -> type != member && type.range().encloses(member.range()))
                        .sorted(Comparator.comparing(type -> type.range().start())).map(MemberOutline::name)
                        .reduce("", (one, other) -> one + "." + other);
                found.add(new One(home, file.content().substring(range.start(), range.end()), range,
                        member.nameRange()));
            }
        }
        found.sort(Comparator.comparing(one -> one.range().start()));
        return new FileHeaders(found);
    }

    /** Before the body or the semicolon; that of a record ends with its list. */
    private static int end(Tokens tokens, MemberOutline member, boolean isRecord) {
        int depth = 0;
        int at = tokens.at(member.nameRange().end());
        for (; at < tokens.count() && tokens.start(at) < member.range().end(); at++) {
            boolean isEnd = depth == 0 && (tokens.is(at, "{") || tokens.is(at, ";"));
            depth += tokens.is(at, "(") ? 1 : tokens.is(at, ")") ? -1 : 0;
            if (isEnd || isRecord && depth == 0 && tokens.is(at, ")")) {
                at = isEnd ? at : at + 1;
                break;
            }
        }
        return Math.max(member.nameRange().end(), tokens.end(tokens.codeBefore(Math.min(at, tokens.count()) - 1)));
    }

    /**
     * Which of these a header of another time was: one that is not there any more, between the same that are. Where as
     * many came as went, each is the one at its place; else the one of its name, or with its parameters.
     */
    One before(One now, FileHeaders others) {
        List<One> came = others.gapAround(now, this);
        List<One> gone = gone(others, now, came);
        if (came.size() == gone.size()) {
            return gone.get(came.indexOf(now));
        }
        return gone.stream().filter(one -> one.nameText().equals(now.nameText())).findFirst()
                .or(() -> gone.stream().filter(one -> one.behindName().equals(now.behindName())).findFirst())
                .orElse(now);
    }

    /** A header with its neighbours that others do not have either. */
    private List<One> gapAround(One middle, FileHeaders others) {
        int from = all.indexOf(middle);
        int to = from;
        while (from > 0 && !others.has(all.get(from - 1))) {
            from--;
        }
        while (to + 1 < all.size() && !others.has(all.get(to + 1))) {
            to++;
        }
        return all.subList(from, to + 1).stream().filter(one -> one.home().equals(middle.home())).toList();
    }

    private boolean has(One header) {
        return all.stream().anyMatch(header::reads);
    }

    /** Those of here that others do not have, at the place of such a gap. */
    private List<One> gone(FileHeaders others, One now, List<One> came) {
        int gap = others.all.indexOf(came.get(0));
        Optional<One> above = gap == 0 ? Optional.empty() : Optional.of(others.all.get(gap - 1));
        int from = above.map(one -> (int) IntStream.range(0, all.size()).filter(i -> all.get(i).reads(one)).findFirst()
                .orElse(-1) + 1).orElse(0);
        List<One> found = new ArrayList<>();
        for (int i = from; i < all.size() && !others.has(all.get(i)); i++) {
            if (all.get(i).home().equals(now.home())) {
                found.add(all.get(i));
            }
        }
        return found;
    }
}
