package dev.deftchisel.member;

import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.change.Edit;
import dev.deftchisel.rewrite.Layout;
import dev.deftchisel.rewrite.NewCode;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;

/** Puts new members where a type has such: constants before fields, constructors after them, accessors together. */
public final class MemberInserter {

    private final TargetClass target;
    private final AttributedFile code;
    private final Layout layout;
    private final TypeBody body;
    private final List<Tree> members;
    private final List<StateField> parts;
    private final String outer;
    private final String indent;

    /** @param target the type that gets them */
    public MemberInserter(TargetClass target) {
        this.target = target;
        this.code = target.code();
        this.layout = Layout.of(code.file());
        this.body = target.body();
        this.members = body.members();
        this.parts = target.parts();
        this.outer = Layout.indentOf(code.file(), code.range(target.tree()).start());
        this.indent = members.stream().map(member -> code.range(member).start())
                .filter(this::startsLine).findFirst()
                .map(start -> Layout.indentOf(code.file(), start))
                .orElse(outer + layout.unit());
    }

    private boolean startsLine(int offset) {
        Range line = code.file().lines().rangeOf(code.file().lines().line(offset));
        return code.file().content().substring(line.start(), offset).isBlank();
    }

    /** The edits that write all of them. */
    public List<Edit> edits(List<NewMember> all) {
        List<Edit> edits = new ArrayList<>();
        Map<Integer, List<NewMember>> added = new TreeMap<>();
        for (NewMember member : all) {
            if (member.instead().isPresent()) {
                // what somebody wrote about it is still true, unless something new is said
                boolean isDocumented = member.lines().stream().anyMatch(line -> line.startsWith("/**"));
                Range own = code.range(member.instead().get());
                Range range = isDocumented ? Layout.withDocumentation(code.file(), own) : own;
                edits.add(new NewCode(code.file()).write(layout.text(member.lines(), indent)).replacing(range));
            } else if (member.ahead().isPresent()) {
                int start = Layout.withDocumentation(code.file(), code.range(member.ahead().get())).start();
                edits.add(new NewCode(code.file()).write(layout.text(member.lines(), indent) + layout.lineEnd()
                        + indent).at(start));
            } else if (member.kind() == NewMember.Kind.ENUM_CONSTANT) {
                edits.add(enumConstant(member));
            } else {
                added.computeIfAbsent(offset(member.kind()), at -> new ArrayList<>()).add(member);
            }
        }
        added.forEach((offset, group) -> edits.add(insertion(offset, group)));
        return edits;
    }

    private Edit insertion(int offset, List<NewMember> group) {
        NewCode text = new NewCode(code.file());
        Range gap = gap(offset);
        String space = code.text(gap);
        boolean isEnd = gap.end() < code.file().content().length() && code.file().content().charAt(gap.end()) == '}';
        boolean isSameLine = space.chars().noneMatch(c -> c == '\n' || c == '\r');
        boolean isBlankBehind = space.lines().count() > 2 || space.chars().filter(c -> c == '\n').count() > 1;
        boolean isFirst = offset == start();
        if (needsSemicolon() && offset == endOfConstants()) {
            text.write(";");
        } else if (isFirst && isWithoutConstants() && !hasSemicolon()) {
            // else the member would be read as a constant (JLS 8.9.1)
            text.write(layout.lineEnd() + indent + ";");
            isFirst = false;
        }
        boolean isField = false;
        for (NewMember member : group) {
            boolean isNextField = member.kind() == NewMember.Kind.CONSTANT || member.kind() == NewMember.Kind.FIELD;
            // a class whose body starts with a blank line still does
            boolean isApart = isFirst ? isBlankBehind && !isEnd : !(isNextField && (isField || endsField(offset)));
            text.write(layout.lineEnd() + (isApart ? layout.lineEnd() : "") + indent);
            member.code().ifPresentOrElse(code -> code.accept(text, indent),
                    () -> text.write(layout.text(member.lines(), indent), member.linked()));
            isFirst = false;
            isField = isNextField;
        }
        if (isEnd) {
            return text.write(layout.lineEnd() + outer).replacing(gap);
        }
        text.write(isSameLine ? layout.lineEnd() + (isField ? "" : layout.lineEnd()) + indent
                : isBlankBehind || isField && startsField(gap.end(), group.get(group.size() - 1).kind()) ? ""
                : layout.lineEnd());
        return isSameLine ? text.replacing(gap) : text.at(offset);
    }

    /** One more in the list of constants (JLS 8.9.1), on a line of its own where each is. */
    private Edit enumConstant(NewMember member) {
        List<Range> all = members.stream().filter(this::isEnumConstant).map(code::range).toList();
        NewCode text = new NewCode(code.file());
        if (all.isEmpty()) {
            String end = members.isEmpty() || hasSemicolon() ? "" : ";";
            return text.write(layout.lineEnd() + indent + layout.text(member.lines(), indent) + end).at(body.opening());
        }
        Range last = all.get(all.size() - 1);
        String gap = all.size() == 1 ? " " : code.text(new Range(all.get(all.size() - 2).end(), last.start()));
        boolean isOnLines = gap.indexOf('\n') >= 0;
        return text.write("," + (isOnLines ? layout.lineEnd() + indent : " ") + layout.text(member.lines(), indent))
                .at(last.end());
    }

    /** The white space after an offset. */
    private Range gap(int offset) {
        Tokens tokens = code.tokens();
        int token = tokens.at(offset);
        boolean isSpace = token < tokens.count() && tokens.kind(token) == TokenKind.WHITE_SPACE;
        return new Range(offset, isSpace ? tokens.end(token) : offset);
    }

    private int offset(NewMember.Kind kind) {
        Optional<Tree> constant = body.lastAtStart(this::isConstant);
        Optional<Tree> field = body.lastAtStart(member -> member instanceof VariableTree);
        Optional<Tree> constructor = last(TargetClass::isConstructor).or(() -> field);
        Optional<Tree> accessor = last(this::isAccessor).or(() -> constructor);
        return switch (kind) {
            case ENUM_CONSTANT, CONSTANT -> constant.map(this::behind).orElseGet(this::start);
            case FIELD -> field.map(this::behind).orElseGet(this::start);
            case CONSTRUCTOR -> constructor.map(this::behind).orElseGet(this::start);
            case ACCESSOR -> accessor.map(this::behind).orElseGet(this::start);
            case TYPE -> last(member -> true).map(this::behind).orElseGet(this::start);
            case METHOD -> last(member -> member instanceof MethodTree).or(() -> field).map(this::behind)
                    .orElseGet(this::start);
        };
    }

    /** Where the first member can be: after the brace, or the semicolon after no constants. */
    private int start() {
        return isWithoutConstants() && hasSemicolon() ? code.tokens().end(first()) : body.opening();
    }

    private boolean isWithoutConstants() {
        return target.type().getKind() == ElementKind.ENUM && members.stream().noneMatch(this::isEnumConstant);
    }

    private boolean hasSemicolon() {
        return first() < code.tokens().count() && code.tokens().is(first(), ';');
    }

    /** The first code token after the brace. */
    private int first() {
        return code.tokens().code(code.tokens().at(body.opening()));
    }

    private Optional<Tree> last(Predicate<Tree> belongs) {
        return members.stream().filter(belongs).reduce((one, other) -> other);
    }

    private boolean isConstant(Tree member) {
        return member instanceof VariableTree && code.element(new TreePath(target.path(), member))
                .filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT
                        || element.getModifiers().contains(Modifier.STATIC)).isPresent();
    }

    private boolean isAccessor(Tree member) {
        return member instanceof MethodTree method && method.getReturnType() != null
                && parts.stream().anyMatch(part -> AccessorNames.isAccessor(method.getName().toString(), part)
                        && method.getParameters().size() <= 1);
    }

    private boolean endsField(int offset) {
        return members.stream().anyMatch(member -> member instanceof VariableTree && !isEnumConstant(member)
                && behind(member) == offset);
    }

    /** Whether a field of the same sort follows, which a blank line does not keep apart. */
    private boolean startsField(int offset, NewMember.Kind kind) {
        return members.stream().anyMatch(member -> member instanceof VariableTree && code.range(member)
                .start() == offset
                && isConstant(member) == (kind == NewMember.Kind.CONSTANT));
    }

    private boolean isEnumConstant(Tree member) {
        return code.element(new TreePath(target.path(), member))
                .filter(element -> element.getKind() == ElementKind.ENUM_CONSTANT).isPresent();
    }

    /** After a member and a comment on its line; after the list of enum constants where it is one. */
    private int behind(Tree member) {
        return Layout.after(code.file(), isEnumConstant(member) ? endOfConstants() : code.range(member).end());
    }

    /** After the semicolon after the constants, or after the last one where there is none. */
    private int endOfConstants() {
        Tokens tokens = code.tokens();
        int end = members.stream().filter(this::isEnumConstant).map(member -> code.range(member).end())
                .reduce(0, Math::max);
        int next = end == 0 ? tokens.count() : tokens.code(tokens.at(end - 1) + 1);
        while (next < tokens.count() && tokens.is(next, ',')) {
            end = tokens.end(next);
            next = tokens.code(next + 1);
        }
        return next < tokens.count() && tokens.is(next, ';') ? tokens.end(next) : end;
    }

    private boolean needsSemicolon() {
        int end = endOfConstants();
        return end > 0 && code.file().content().charAt(end - 1) != ';';
    }
}
