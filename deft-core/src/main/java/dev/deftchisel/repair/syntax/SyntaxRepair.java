package dev.deftchisel.repair.syntax;

import dev.deftchisel.analysis.compiler.CompilerError;
import dev.deftchisel.analysis.compiler.SyntaxCheck;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.syntax.candidate.BrokenText;
import dev.deftchisel.repair.syntax.candidate.Candidate;
import dev.deftchisel.repair.syntax.candidate.CandidateSource;
import dev.deftchisel.repair.syntax.structure.BodyCandidates;
import dev.deftchisel.repair.syntax.structure.BraceCandidates;
import dev.deftchisel.repair.syntax.structure.DeclarationCandidates;
import dev.deftchisel.repair.syntax.structure.HandlerCandidates;
import dev.deftchisel.repair.syntax.structure.HeaderCandidates;
import dev.deftchisel.repair.syntax.structure.ImportCandidates;
import dev.deftchisel.repair.syntax.structure.LoopCandidates;
import dev.deftchisel.repair.syntax.structure.PlacementCandidates;
import dev.deftchisel.repair.syntax.structure.SwitchCandidates;
import dev.deftchisel.repair.syntax.structure.TypeHeadCandidates;
import dev.deftchisel.repair.syntax.token.CommentCandidates;
import dev.deftchisel.repair.syntax.token.ExpressionCandidates;
import dev.deftchisel.repair.syntax.token.LambdaCandidates;
import dev.deftchisel.repair.syntax.token.NotationCandidates;
import dev.deftchisel.repair.syntax.token.NumberCandidates;
import dev.deftchisel.repair.syntax.token.QuoteCandidates;
import dev.deftchisel.repair.syntax.token.TokenCandidates;
import dev.deftchisel.repair.syntax.token.WordCandidates;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Mends what the parser does not understand: of all small changes around the place, those after which it complains
 * least, the most likely first. Whether the result compiles is seen when the fixes are planned.
 */
public final class SyntaxRepair implements Repair {

    private static final List<CandidateSource> SOURCES = List.of(new WordCandidates(), new QuoteCandidates(),
            new HeaderCandidates(),
            new DeclarationCandidates(), new TypeHeadCandidates(), new LoopCandidates(), new SwitchCandidates(),
            new PlacementCandidates(),
            new BraceCandidates(), new TokenCandidates(), new NotationCandidates(), new ExpressionCandidates(),
            new NumberCandidates(),
            new CommentCandidates(), new ImportCandidates(), new LambdaCandidates(), new HandlerCandidates(),
            new BodyCandidates());
    private static final int MOST_TRIED = 160;
    private static final int LEAST_TRIED = 20;
    private static final int MOST_FIXES = 6;
    /** So many characters are parsed at most for one error, which takes about a tenth of a second. */
    private static final int MOST_CHARACTERS = 2_000_000;
    /** Errors after these mostly follow from them. */
    private static final int MOST_ERRORS = 5;

    @Override
    public Set<String> codes() {
        return Set.of("expected", "expected2", "expected3", "expected4", "premature.eof", "unclosed.str.lit",
                "unclosed.char.lit",
                "empty.char.lit", "not.stmt", "illegal.start.of.expr", "illegal.start.of.type", "illegal.start.of.stmt",
                "illegal.char",
                "illegal.esc.char", "illegal.text.block.open", "unclosed.text.block", "unclosed.comment",
                "else.without.if",
                "catch.without.try", "finally.without.try", "try.without.catch.finally.or.resource.decls", "orphaned",
                "invalid.meth.decl.ret.type.req", "class.not.allowed", "variable.not.allowed",
                "array.dimension.missing", "illegal.dot",
                "varargs.must.be.last", "initializer.not.allowed", "this.as.identifier", "underscore.as.identifier",
                "malformed.fp.lit",
                "illegal.nonascii.digit", "mod.not.allowed.here", "repeated.modifier", "statement.not.expected",
                "class.method.or.field.expected",
                "unexpected.lambda", "invalid.lambda.parameter.declaration", "restricted.type.not.allowed",
                "restricted.type.not.allowed.here",
                "default.and.both.boolean.values", "enum.constant.expected", "enum.constant.not.expected",
                "extraneous.semicolon",
                "expected.str", "dot.class", "dot.class.expected", "wrong.receiver", "array.and.varargs",
                "varargs.and.old.array.syntax", "record.header.expected",
                "enums.must.be.static", "local.enum", "try.without.catch.or.finally",
                "illegal.parenthesized.expression", "record.cannot.declare.instance.fields",
                "illegal.array.creation.both.dimension.and.initialization", "bad.initializer",
                "record.cant.declare.field.modifiers", "illegal.underscore", "illegal.line.end.in.char.lit",
                "enum.as.identifier",
                "illegal.digit.in.octal.literal", "use.of.underscore.not.allowed.non.variable");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        SourceFile file = site.code().file();
        SyntaxCheck check = new SyntaxCheck(file.path(), file.module().java());
        List<CompilerError> before = check.errors(file.content());
        boolean isOfParser = before.stream().limit(MOST_ERRORS)
                .anyMatch(error -> error.code().equals(site.error().code())
                && error.range().start() == site.error().range().start());
        if (!isOfParser) {
            return List.of();
        }
        BrokenText text = new BrokenText(file, site.error());
        Map<String, Candidate> byResult = new LinkedHashMap<>();
        List<Candidate> all = new ArrayList<>();
        SOURCES.forEach(source -> all.addAll(source.candidates(text)));
        all.stream().sorted(Comparator.comparing(Candidate::cost))
                .forEach(one -> byResult.putIfAbsent(one.in(file.content()), one));
        byResult.remove(file.content());
        return best(byResult, check, before, file.content().length());
    }

    private static List<Fix> best(Map<String, Candidate> byResult, SyntaxCheck check, List<CompilerError> before,
            int length) {
        Map<Candidate, Integer> errors = new LinkedHashMap<>();
        List<String> tried = byResult.keySet().stream()
                .limit(Math.max(LEAST_TRIED, Math.min(MOST_TRIED, MOST_CHARACTERS / Math.max(1, length)))).toList();
        List<List<CompilerError>> found = check.errors(tried);
        for (int i = 0; i < tried.size(); i++) {
            if (found.get(i).size() < before.size()) {
                errors.put(byResult.get(tried.get(i)), found.get(i).size());
            }
        }
        int least = errors.values().stream().mapToInt(Integer::intValue).min().orElse(0);
        return errors.entrySet().stream().filter(one -> one.getValue() == least).map(Map.Entry::getKey)
                .sorted(Comparator.comparing(Candidate::cost)).limit(MOST_FIXES)
                .map(one -> Fix.of(one.title(), edits -> one.edits().forEach(edit -> {
                    if (edit.text().isEmpty()) {
                        edits.cut(edit.range());
                    } else {
                        edits.replace(edit.range(), edit.text());
                    }
                })))
                .toList();
    }
}
