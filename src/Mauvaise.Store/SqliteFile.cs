using Microsoft.Data.Sqlite;

namespace Mauvaise.Store;

/// <summary>A data file asked by SQLite alone, beside the model of its rows: a connection that closes with what it was opened for.</summary>
internal static class SqliteFile
{
    public static SqliteConnection Open(string path)
    {
        var file = new SqliteConnection(DataFile.ConnectionString(path, pooling: false));
        file.Open();
        return file;
    }

    /// <returns>What the statement answers first; null for nothing.</returns>
    public static object? Run(SqliteConnection file, string sql)
    {
        using var command = file.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    /// <summary>The first column of every row, as text.</summary>
    public static List<string> Texts(SqliteConnection file, string sql)
    {
        using var command = file.CreateCommand();
        command.CommandText = sql;
        using var rows = command.ExecuteReader();
        var texts = new List<string>();
        while (rows.Read())
        {
            texts.Add(rows.GetString(0));
        }

        return texts;
    }
}
