# frozen_string_literal: true

module Fujin
  # What no form of ours sends is refused before anything reads it: letters that are none, a character that ends strings
  # in the database, a body in another shape than JSON or a file's bytes, a file that says it is too large.
  class CleanInput
    JSON_TYPE = %r{\Aapplication/([\w.+-]+\+)?json\b}
    FILES = %w[application/octet-stream text/csv text/plain application/gzip].freeze
    # So much text is no form.
    MOST_JSON_BYTES = 8 * 1024 * 1024
    NUL = /\\u0000|\0/

    def initialize(app)
      @app = app
    end

    def call(env)
      refusal = wrong_address(env) || (wrong_body(env) if env['PATH_INFO'].start_with?('/api/'))
      refusal ? ProblemError.response(*refusal) : @app.call(env)
    end

    private

    def wrong_address(env)
      text = Rack::Utils.unescape("#{env['PATH_INFO']}?#{env['QUERY_STRING']}")
      return if text.valid_encoding? && !text.include?("\0")

      [400, 'Not an address', 'The address holds characters that no address has.']
    rescue ArgumentError
      [400, 'Not an address', 'The address is not readable: it breaks off in the middle of a letter.']
    end

    def wrong_body(env)
      type = env['CONTENT_TYPE'].to_s
      length = env['CONTENT_LENGTH'].to_i
      return too_large if length > Settings::MAX_UPLOAD_BYTES
      return if length.zero? && env['HTTP_TRANSFER_ENCODING'].nil?
      return if FILES.include?(type[/\A[^;\s]+/])
      return [415, 'Not understood', 'The body is to be JSON, or the bytes of a file.'] unless type.match?(JSON_TYPE)
      return too_large if length > MOST_JSON_BYTES

      wrong_text(env)
    end

    def wrong_text(env)
      text = env['rack.input'].read(MOST_JSON_BYTES + 1).to_s
      return too_large if text.bytesize > MOST_JSON_BYTES

      env['rack.input'] = StringIO.new(text)
      text.force_encoding(Encoding::UTF_8)
      return [400, 'Not readable', 'The text is not UTF-8. Nothing was stored.'] unless text.valid_encoding?
      return unless text.match?(NUL)

      [400, 'Not readable',
       'The text holds a character (code 0) that cannot be stored. Take it out; nothing was stored.']
    end

    def too_large
      [413, 'Too large', Text.of('It is larger than %{max_upload_bytes} MB (a form: %{most_json_bytes} MB). Nothing ' \
        'was changed.',
                                 max_upload_bytes: Settings::MAX_UPLOAD_BYTES / 1_048_576,
                                 most_json_bytes: MOST_JSON_BYTES / 1_048_576)]
    end
  end
end
