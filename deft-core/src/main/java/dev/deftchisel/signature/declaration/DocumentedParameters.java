package dev.deftchisel.signature.declaration;

import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.signature.plan.DeclaredHeader;
import dev.deftchisel.signature.plan.SignatureChange;
import dev.deftchisel.signature.written.NestedEdits;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The {@code @param} tags of one declaration: they stay with their parameters, in the order of these. */
public final class DocumentedParameters {

    private static final Pattern TAG = Pattern.compile("(?m)^[ \\t]*\\*?[ \\t]*@(\\w+)(?:[ \\t]+(<?[\\w$]+>?))?");

    private final SignatureChange change;
    private final DeclaredHeader declared;
    private final NestedEdits edits;
    private final SourceFile file;

    public DocumentedParameters(SignatureChange change, DeclaredHeader declared, NestedEdits edits) {
        this.change = change;
        this.declared = declared;
        this.edits = edits;
        this.file = declared.code().file();
    }

    /**
     * A block tag with its text, from the start of its line to the next one.
     *
     * @param name      of the parameter
     * @param range     of the tag
     * @param nameRange where the name stands
     */
    private record ParamTag(String name, Range range, Range nameRange) {
    }

    /** Puts the tags in order, takes those away whose parameters go, and adds those of new ones where all have one. */
    public void write() {
        Optional<Range> comment = comment();
        if (change.keepsPositions() || comment.isEmpty()) {
            return;
        }
        List<ParamTag> tags = tags(comment.get());
        boolean areTogether = !tags.isEmpty();
        for (int i = 1; i < tags.size(); i++) {
            areTogether &= tags.get(i - 1).range().end() == tags.get(i).range().start();
        }
        if (areTogether) {
            rewrite(tags);
        }
    }

    private Optional<Range> comment() {
        Tokens tokens = file.tokens();
        int at = tokens.at(declared.offset()) - 1;
        while (at >= 0 && tokens.kind(at) == TokenKind.WHITE_SPACE) {
            at--;
        }
        return at >= 0 && tokens.kind(at) == TokenKind.DOC_COMMENT && tokens.text(at).startsWith("/**")
                && tokens.text(at).contains("\n") ? Optional.of(tokens.range(at)) : Optional.empty();
    }

    private List<ParamTag> tags(Range comment) {
        String text = file.content().substring(comment.start(), comment.end());
        List<ParamTag> found = new ArrayList<>();
        Matcher tag = TAG.matcher(text);
        int last = text.lastIndexOf('\n') + 1;
        while (tag.find()) {
            boolean isParameter = "param".equals(tag.group(1)) && tag.group(2) != null
                    && !tag.group(2).startsWith("<");
            if (isParameter) {
                int start = comment.start() + tag.start();
                int next = tag.end();
                Matcher after = TAG.matcher(text);
                int end = after.find(next) ? after.start() : last;
                found.add(new ParamTag(tag.group(2), new Range(start, comment.start() + end),
                        new Range(comment.start() + tag.start(2), comment.start() + tag.end(2))));
            }
        }
        return found;
    }

    private void rewrite(List<ParamTag> tags) {
        Map<String, ParamTag> byName = new HashMap<>();
        tags.forEach(tag -> byName.putIfAbsent(tag.name(), tag));
        boolean isComplete = declared.header().known().stream().allMatch(one -> byName.containsKey(one.name()));
        Range all = new Range(tags.get(0).range().start(), tags.get(tags.size() - 1).range().end());
        String head = file.content().substring(tags.get(0).range().start(), tags.get(0).nameRange().start());
        String lineEnd = Layout.of(file).lineEnd();
        edits.replace(all, List.of(), text -> {
            for (int i = 0; i < change.origins().size(); i++) {
                if (change.isAdded(i)) {
                    text.write(isComplete ? head + change.name(i) + " the " + words(change.name(i)) + lineEnd : "");
                } else {
                    String old = declared.header().at(declared.header().parameters().get(change.origins().get(i))
                            .name());
                    Optional.ofNullable(byName.get(old)).ifPresent(tag -> edits.carry(text, tag.range()));
                }
            }
        });
    }

    /** {@code dueDate} as "due date". */
    private static String words(String name) {
        return name.replaceAll("(?<=[\\p{Ll}\\p{N}])(?=\\p{Lu})", " ").toLowerCase(Locale.ROOT);
    }
}
