using System.Globalization;
using System.Text;

namespace Mauvaise.Bench;

/// <summary>Draws the table that <see cref="ClosedLoop"/> prints: value lost against sprays, with intervals. Table in, SVG out.</summary>
internal static class SeasonPicture
{
    private const int Width = 720,
        Height = 420,
        Left = 70,
        Right = 30,
        Top = 20,
        Bottom = 60;

    private sealed record Row(string Name, double Loss, double LossHalf, double Sprays, double SpraysHalf);

    public static void Draw()
    {
        var rows = new List<Row>();
        while (Console.ReadLine() is { } line)
        {
            var cells = line.Split('|', StringSplitOptions.TrimEntries);
            if (cells.Length > 5 && cells[2].Contains('±', StringComparison.Ordinal))
            {
                rows.Add(new Row(cells[1], Number(cells[2], 0), Number(cells[2], 1), Number(cells[4], 0), Number(cells[4], 1)));
            }
        }

        var mostSprays = Math.Max(1, rows.Max(r => r.Sprays) * 1.15);
        var mostLoss = rows.Max(r => r.Loss + r.LossHalf) * 1.05;
        double X(double sprays) => Left + sprays / mostSprays * (Width - Left - Right);
        double Y(double loss) => Height - Bottom - loss / mostLoss * (Height - Top - Bottom);
        var svg = new StringBuilder();
        void Add(FormattableString part) => svg.AppendLine(part.ToString(CultureInfo.InvariantCulture));
        Add($"<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 {Width} {Height}\" font-family=\"sans-serif\" font-size=\"13\">");
        Add($"<title>Value lost against sprays, by policy</title><rect width=\"{Width}\" height=\"{Height}\" fill=\"#fff\"/>");
        Add($"<path d=\"M{Left} {Top}V{Height - Bottom}H{Width - Right}\" fill=\"none\" stroke=\"#555\"/>");
        for (var loss = 0; loss <= mostLoss; loss += 20)
        {
            Add($"<path d=\"M{Left - 5} {Y(loss):0.#}H{Left}\" stroke=\"#555\"/>");
            Add($"<text x=\"{Left - 9}\" y=\"{Y(loss) + 4:0.#}\" text-anchor=\"end\">{loss}</text>");
        }

        for (var sprays = 0; sprays <= mostSprays; sprays += 5)
        {
            Add($"<path d=\"M{X(sprays):0.#} {Height - Bottom}v5\" stroke=\"#555\"/>");
            Add($"<text x=\"{X(sprays):0.#}\" y=\"{Height - Bottom + 20}\" text-anchor=\"middle\">{sprays}</text>");
        }

        Add($"<text x=\"{Left + (Width - Left - Right) / 2}\" y=\"{Height - 12}\" text-anchor=\"middle\">sprays a place and season</text>");
        Add($"<text transform=\"translate(18 {Height / 2}) rotate(-90)\" text-anchor=\"middle\">value lost, %</text>");
        foreach (var (i, r) in rows.Index())
        {
            var (x, y) = (X(r.Sprays), Y(r.Loss));
            FormattableString across = $"M{X(r.Sprays - r.SpraysHalf):0.#} {y:0.#}H{X(r.Sprays + r.SpraysHalf):0.#}";
            FormattableString down = $"M{x:0.#} {Y(r.Loss - r.LossHalf):0.#}V{Y(r.Loss + r.LossHalf):0.#}";
            Add($"<path d=\"{across}{down}\" stroke=\"#7b4b94\" stroke-width=\"1.5\"/>");
            Add($"<circle cx=\"{x:0.#}\" cy=\"{y:0.#}\" r=\"5\" fill=\"#7b4b94\"/>");
            var end = r.Sprays > mostSprays * 0.85;
            var (beside, anchor, below) = (end ? -9 : 9, end ? "end" : "start", i % 2 == 0 || i == 3 ? -8 : 18);
            Add($"<text x=\"{x + beside:0.#}\" y=\"{y + below:0.#}\" text-anchor=\"{anchor}\">{r.Name}</text>");
        }

        svg.AppendLine("</svg>");
        Console.Write(svg);
    }

    /// <summary>A figure of "mean ± half".</summary>
    private static double Number(string cell, int part) => double.Parse(cell.Split('±', StringSplitOptions.TrimEntries)[part], CultureInfo.InvariantCulture);
}
